package crop

import (
	"cmp"
	"math"
	"slices"

	"vertumna/core/num"
)

// QuotaInput is a bearing shoot.
type QuotaInput struct {
	Species      string   `json:"species"`
	Size         Size     `json:"size" in:"small|medium|large = medium"`
	LengthCM     float64  `json:"length_cm" in:"(0,2000]"`
	DiameterMM   float64  `json:"diameter_mm" in:"(0,1500]"`
	AngleDeg     float64  `json:"angle_deg" in:"[0,180] = 45"`
	Light        float64  `json:"light" in:"[0,1] = 1"`
	OnSpur       bool     `json:"on_spur" in:"= false"`
	StoneSpacing string   `json:"stone_spacing" in:"own_hand|10|15 = own_hand"`
	HandCM       *float64 `json:"hand_cm" in:"? [6,26]"`
	PerCluster   *int     `json:"per_cluster" in:"? [1,2]"`
	ThinAnyway   bool     `json:"thin_anyway" in:"= false"`
}

// Quota is how many fruit a shoot keeps.
type Quota struct {
	Class     string   `json:"class"` // strong, normal, weak, hanging, hanging_weak
	SpacingCM *float64 `json:"spacing_cm"`
	Spots     *int     `json:"spots"`
	Fruit     *int     `json:"fruit"`
	Warnings  []string `json:"warnings"`
}

// Limits of the classes of shoots (est.).
const (
	weakMM, weakLight  = 4, 0.30
	strongMM, strongCM = 7, 30
	level, hangs       = 90, 110
	peachSpots         = 5
)

// ClassOf tells how a shoot bears: by its thickness at the base (mm), its length (cm), its angle and its light.
func ClassOf(lengthCM, dMM, angleDeg, light float64) string {
	weak := dMM < weakMM || light < weakLight
	switch {
	case angleDeg > hangs && weak:
		return "hanging_weak"
	case angleDeg > hangs:
		return "hanging"
	case weak:
		return "weak"
	case dMM >= strongMM && lengthCM >= strongCM && angleDeg <= level:
		return "strong"
	}
	return "normal"
}

// ShootQuota says how many fruit a shoot keeps, `shoot_quota`: weak ones few, strong ones more. Errors: given.Faults.
func ShootQuota(in QuotaInput) (Quota, error) {
	k, fs := kindOf(in, in.Species)
	if err := fs.Err(); err != nil {
		return Quota{}, err
	}
	out := Quota{Class: ClassOf(in.LengthCM, in.DiameterMM, in.AngleDeg, in.Light), Warnings: []string{}}
	if !byHand(k, in.ThinAnyway) {
		out.Warnings = append(out.Warnings, WNotThinned)
		return out, nil
	}
	cm, warn := Spacing(k, in.Size, in.StoneSpacing, in.HandCM)
	out.Warnings = sorted(append(out.Warnings, warn...))
	r := in.LengthCM / cm
	spots := 0.0
	switch out.Class {
	case "hanging_weak":
	case "hanging":
		spots = num.Floor(0.5 * r)
	case "weak":
		if r >= 1-num.Slack {
			spots = 1
		}
	case "strong":
		spots = num.Floor(1.25*r + 0.5)
	default:
		spots = num.Floor(r + 0.5)
		if spots == 0 && in.OnSpur {
			spots = 1
		}
	}
	if k.Family == "peach" {
		spots = math.Min(spots, peachSpots)
	}
	n := int(spots)
	fruit := n * perCluster(k, in.PerCluster)
	out.SpacingCM, out.Spots, out.Fruit = &cm, &n, &fruit
	return out, nil
}

// Fruit is one fruit on a shoot.
type Fruit struct {
	ID         string   `json:"id" in:"id"`
	AtCM       float64  `json:"at_cm" in:"[0,2000]"`
	DiameterMM *float64 `json:"diameter_mm" in:"? (0,300]"`
	King       bool     `json:"king" in:"= false"`
	Damaged    bool     `json:"damaged" in:"= false"`
	Light      float64  `json:"light" in:"[0,1] = 1"`
	Cluster    *string  `json:"cluster" in:"?"`
}

// KeepInput is a shoot with its fruit.
type KeepInput struct {
	Species    string  `json:"species"`
	Spots      int     `json:"spots" in:"[0,200]"`
	SpacingCM  float64 `json:"spacing_cm" in:"(0,2000]"`
	PerCluster *int    `json:"per_cluster" in:"? [1,2]"`
	AllowPairs bool    `json:"allow_pairs" in:"= false"` // after a frost, or by choice
	Fruits     []Fruit `json:"fruits"`
}

// Keep says which fruit stay.
type Keep struct {
	Keep         []string `json:"keep"` // along the shoot
	Remove       int      `json:"remove"`
	SpotsKept    int      `json:"spots_kept"`
	LeastGapCM   float64  `json:"least_gap_cm"`
	LongestCrowd int      `json:"longest_crowd"`
	Short        int      `json:"short"`
}

// Weights of a fruit's score (est.).
const (
	kingScore  = 0.15
	lightScore = 0.30
	spotWorth  = 10 // number first, quality second
)

// spot is a place that bears: the best of a cluster.
type spot struct {
	at, score float64
	ids       []string
}

// KeepOnShoot chooses the fruit that stay on a shoot, `keep_on_shoot`: the most that stand far enough apart, and of those the
// best. Cost: fruits times spots kept. Errors: given.Faults.
func KeepOnShoot(in KeepInput) (Keep, error) {
	k, fs := kindOf(in, in.Species)
	if err := fs.Err(); err != nil {
		return Keep{}, err
	}
	spots := spotsOf(&in, perCluster(k, in.PerCluster), k.Crop.KingFruit)
	gap := math.Max(0.5*in.SpacingCM, k.Crop.RipeMM/10)
	chosen := choose(spots, in.Spots, gap, in.AllowPairs)
	out := Keep{Keep: []string{}, SpotsKept: len(chosen), LeastGapCM: gap, Short: in.Spots - len(chosen)}
	crowd := 0
	for i, j := range chosen {
		out.Keep = append(out.Keep, spots[j].ids...)
		if i > 0 && spots[j].at-spots[chosen[i-1]].at < gap-num.Slack {
			crowd++
		} else {
			crowd = 1
		}
		out.LongestCrowd = max(out.LongestCrowd, crowd)
	}
	out.Remove = len(in.Fruits) - len(out.Keep)
	return out, nil
}

// spotsOf scores the sound fruit and lets those of one cluster compete.
func spotsOf(in *KeepInput, per int, kings bool) []spot {
	var sizes []float64
	for _, f := range in.Fruits {
		if !f.Damaged && f.DiameterMM != nil {
			sizes = append(sizes, *f.DiameterMM)
		}
	}
	mid := median(sizes)
	score := func(f *Fruit) float64 {
		s := lightScore * (f.Light - 0.5)
		if f.DiameterMM != nil {
			s += *f.DiameterMM/mid - 1
		}
		if f.King && kings {
			s += kingScore
		}
		return s
	}
	clusters := map[string][]int{}
	var order []string
	for i, f := range in.Fruits {
		if f.Damaged {
			continue
		}
		name := "fruit " + f.ID
		if f.Cluster != nil {
			name = "cluster " + *f.Cluster
		}
		if clusters[name] == nil {
			order = append(order, name)
		}
		clusters[name] = append(clusters[name], i)
	}
	out := make([]spot, 0, len(order))
	for _, name := range order {
		of := clusters[name]
		slices.SortStableFunc(of, func(a, b int) int { return cmp.Compare(score(&in.Fruits[b]), score(&in.Fruits[a])) })
		of = of[:min(per, len(of))]
		s := spot{at: in.Fruits[of[0]].AtCM}
		for _, i := range of {
			s.score += score(&in.Fruits[i]) / float64(len(of))
		}
		slices.SortStableFunc(of, func(a, b int) int { return cmp.Compare(in.Fruits[a].AtCM, in.Fruits[b].AtCM) })
		for _, i := range of {
			s.ids = append(s.ids, in.Fruits[i].ID)
		}
		out = append(out, s)
	}
	slices.SortStableFunc(out, func(a, b spot) int { return cmp.Compare(a.at, b.at) })
	return out
}

func median(xs []float64) float64 {
	if len(xs) == 0 {
		return 1
	}
	slices.Sort(xs)
	n := len(xs)
	return (xs[(n-1)/2] + xs[n/2]) / 2
}

// choose takes at most so many spots, neighbours at least a gap apart; with pairs, one may stand nearer to one that does not
// itself stand too near the one before it. Exact, from the tip back: best[left][last][crowded] is the most the spots beyond
// the last one taken are worth, taking before skipping when equal. What stands beyond the gap is the same whoever asks: it is
// gone through once for all, so the cost is spots times those taken, and with pairs times the spots within a gap.
func choose(spots []spot, most int, gap float64, pairs bool) []int {
	n := len(spots)
	most = min(most, n)
	type state struct {
		worth float64
		next  int // -1: none
	}
	near := func(last, j int) bool { return last > 0 && spots[j].at-spots[last-1].at < gap-num.Slack }
	beyond := make([]int, n+1) // by the last one taken (0: none yet, else spot last-1), the first spot a gap away
	for last := range beyond {
		j := last
		for j < n && near(last, j) {
			j++
		}
		beyond[last] = j
	}
	best := make([][][2]state, most+1)
	best[0] = make([][2]state, n+1)
	for last := range best[0] {
		best[0][last] = [2]state{{0, -1}, {0, -1}}
	}
	far := make([]state, n+1) // by the first spot that may be taken
	for left := 1; left <= most; left++ {
		better := func(s state, j, crowded int) state {
			if w := spotWorth + spots[j].score + best[left-1][j+1][crowded].worth; w >= s.worth-num.Slack {
				return state{w, j}
			}
			return s
		}
		far[n] = state{0, -1}
		for j := n - 1; j >= 0; j-- {
			far[j] = better(far[j+1], j, 0)
		}
		best[left] = make([][2]state, n+1)
		for last := range best[left] {
			s := far[beyond[last]]
			best[left][last] = [2]state{s, s}
			if pairs {
				for j := beyond[last] - 1; j >= last; j-- {
					s = better(s, j, 1)
				}
				best[left][last][0] = s
			}
		}
	}
	var out []int
	last, crowded := 0, 0
	for left := most; left > 0; left-- {
		j := best[left][last][crowded].next
		if j < 0 {
			break
		}
		crowded = 0
		if near(last, j) {
			crowded = 1
		}
		out = append(out, j)
		last = j + 1
	}
	return out
}
