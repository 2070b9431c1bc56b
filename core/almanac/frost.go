package almanac

import (
	"fmt"
	"math"
	"sort"

	"vertumna/core/pomology"
)

// Frost keys in their order; PostBloom runs from petal fall to the end of natural drop.
var frostKeys = []string{"dormant", "bud_swell", "bud_break", "cluster", "first_bloom", "full_bloom", "post_bloom"}

// killTables: temperatures of 10 and 90 % kill after 30 minutes by frost key (Proebsting and Mills 1978; Ballard,
// Proebsting and Tukey, Washington State bulletins; rounded from deg F). The dormant column is a rough figure of ours.
var killTables = map[string][7][2]float64{
	"apple":        {{-26, -34}, {-9.4, -16.7}, {-7.8, -12.2}, {-2.8, -6.1}, {-2.2, -3.9}, {-2.2, -3.9}, {-2.2, -3.9}},
	"pear":         {{-24, -32}, {-9.4, -17.8}, {-6.7, -14.4}, {-4.4, -9.4}, {-2.8, -5}, {-2.2, -4.4}, {-2.2, -4.4}},
	"peach":        {{-18, -25}, {-7.8, -17.2}, {-3.9, -9.4}, {-3.6, -7.8}, {-3.3, -6.1}, {-2.8, -4.4}, {-2.2, -3.9}},
	"apricot":      {{-19, -26}, {-9.4, -17.8}, {-4.4, -10}, {-4.2, -8.6}, {-3.9, -7.2}, {-2.8, -5.6}, {-2.2, -3.9}},
	"plum":         {{-22, -29}, {-10, -17.8}, {-6.7, -13.9}, {-4.4, -8.9}, {-2.8, -5}, {-2.2, -5}, {-2.2, -5}},
	"sweet-cherry": {{-20, -28}, {-8.3, -15}, {-3.9, -10}, {-3.3, -8.3}, {-2.2, -3.9}, {-2.2, -3.9}, {-2.2, -3.9}},
}

// KillTemps are the temperatures of 10 and 90 % kill at a frost key and the share of the way to the next key. Errors:
// unknown_species, no_kill_table, unknown_stage, bad_share.
func KillTemps(species, key string, share float64) (t10, t90 float64, err error) {
	kind, unknown := pomology.BySlug(species)
	if unknown != nil {
		return 0, 0, refuse("unknown_species", "species", species, "a kind of the table")
	}
	table, ok := killTables[kind.Year.Kill]
	if !ok {
		return 0, 0, refuse("no_kill_table", "species", species, "a kind that blooms in the frost season")
	}
	for i, k := range frostKeys {
		if k != key {
			continue
		}
		if !(share >= 0 && share <= 1) {
			return 0, 0, refuse("bad_share", "share", share, "0 to 1")
		}
		a, b := table[i], table[min(i+1, len(frostKeys)-1)]
		return a[0] + (b[0]-a[0])*share, a[1] + (b[1]-a[1])*share, nil
	}
	return 0, 0, refuse("unknown_stage", "key", key, "dormant, bud_swell, bud_break, cluster, first_bloom, full_bloom or post_bloom")
}

// FrostKey tells which frost key a tree is at on a day, and the share of the way to the next; ok is false when its bloom
// is unknown or the season of frost damage is over.
func FrostKey(d Dates, on Day) (key string, share float64, ok bool) {
	for _, s := range []Stage{BudSwell, BudBreak, FirstBloom, FullBloom, PetalFall} {
		if !d[s].Known() {
			return "", 0, false
		}
	}
	if on < d[BudSwell] {
		return "dormant", math.Max(0, 1-float64(d[BudSwell]-on)/hardensDays), true
	}
	if d[DropEnd].Known() && on > d[DropEnd] {
		return "", 0, false
	}
	cluster := d[BudBreak] + Day(floorDiv(int(d[FirstBloom]-d[BudBreak]), 2))
	starts := []Day{d[BudSwell], d[BudBreak], cluster, d[FirstBloom], d[FullBloom], d[PetalFall]}
	for i := range len(starts) - 1 {
		if on >= starts[i] && on < starts[i+1] {
			return frostKeys[i+1], float64(on-starts[i]) / float64(starts[i+1]-starts[i]), true
		}
	}
	return "post_bloom", 0, true
}

// hardensDays is how long before bud swell the buds begin to lose their winter hardiness (ours).
const hardensDays = 21

// FrostNight is one night at or under 0 C, with the frost key the tree stood at.
type FrostNight struct {
	Key   string
	Share float64
	Tmin  float64
}

// FrostLoss is what the nights of a season did to the fruit buds: the kill of each night alone and the share alive.
type FrostLoss struct {
	Killed []float64
	Alive  float64
}

// Kill of one night and of several (ours): the odds between a tenth and nine tenths killed, what is taken for none or
// all, and what another night at the same key still counts.
const (
	tenToNinety = 9
	killNone    = 0.01
	killAgain   = 0.3
)

// FrostKill reckons the fruit buds alive after several nights (ours): at one key the hardiest are left, so only the
// worst night of a key counts in full and its others by 0.3. Errors: those of KillTemps, temp_out_of_range.
func FrostKill(species string, nights []FrostNight) (FrostLoss, error) {
	out := FrostLoss{Killed: make([]float64, 0, len(nights)), Alive: 1}
	groups := map[string][]float64{}
	for i, n := range nights {
		t10, t90, err := KillTemps(species, n.Key, n.Share)
		if err != nil {
			return FrostLoss{}, err
		}
		if !finite(n.Tmin) || n.Tmin < -mostC || n.Tmin > mostC {
			return FrostLoss{}, refuse("temp_out_of_range", fmt.Sprintf("nights[%d].tmin", i), n.Tmin, "-60 to 60")
		}
		x := 2 * math.Log(tenToNinety) * ((t10+t90)/2 - n.Tmin) / (t10 - t90)
		kill := 1 / (1 + math.Exp(-x))
		switch {
		case kill < killNone:
			kill = 0
		case kill > 1-killNone:
			kill = 1
		}
		out.Killed = append(out.Killed, kill)
		groups[n.Key] = append(groups[n.Key], kill)
	}
	for _, key := range frostKeys {
		g := groups[key]
		sort.Sort(sort.Reverse(sort.Float64Slice(g)))
		for i, kill := range g {
			if i > 0 {
				kill *= killAgain
			}
			out.Alive *= 1 - kill
		}
	}
	return out, nil
}
