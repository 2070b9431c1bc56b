// Package find reads a limb map as an experienced eye would: what is sick, crossing, too steep, too thick, too high, too
// dense or too old, each finding with its numbers and the threshold it passed. It decides nothing: what to cut, and when,
// is the slip's. Units: cm, mm, degrees from vertical, MPa.
package find

import (
	"cmp"
	"math"
	"slices"

	"vertumna/core/limb"
	"vertumna/core/pomology"
)

// Code names a finding.
type Code string

// Aim is what a cut for a finding should do.
type Aim string

// The aims. A finding without one is answered without a cut.
const (
	NoAim   Aim = ""
	Sound   Aim = "sound"
	Remove  Aim = "remove"
	Lower   Aim = "lower"
	Shorten Aim = "shorten"
	Subdue  Aim = "subdue"
	Open    Aim = "open"
	Renew   Aim = "renew"
	Calm    Aim = "calm"
	Fruit   Aim = "fruit"
	Branch  Aim = "branch"
	Extend  Aim = "extend"
	Bear    Aim = "bear"
	Spurs   Aim = "spurs"
)

// Aims lists the aims, that of none among them.
func Aims() []Aim {
	return []Aim{NoAim, Sound, Remove, Lower, Shorten, Subdue, Open, Renew, Calm, Fruit, Branch, Extend, Bear, Spurs}
}

// Fact is one number or name that a finding rests on; its unit is the end of its name. Yes-or-no facts are 0 or 1.
type Fact struct {
	Name  string  `json:"name"`
	Value float64 `json:"value"`
	Text  string  `json:"text,omitempty"`
}

// Finding is one thing seen. At is the base end of the offending stretch; severity runs 0..1.
type Finding struct {
	Code     Code
	Limb     string
	AtCM     float64
	Severity float64
	Step     int
	Weight   float64
	Aim      Aim
	Members  []string
	Evidence []Fact
	Limits   []Fact // the thresholds passed, as the school and the person have them
	Source   string
}

// Fact returns a fact of the evidence by name.
func (f Finding) Fact(name string) (Fact, bool) {
	for _, e := range f.Evidence {
		if e.Name == name {
			return e, true
		}
	}
	return Fact{}, false
}

// Rule is what a code means to the order of work.
type Rule struct {
	Code   Code
	Step   int     // place in the practitioners' order
	Weight float64 // how much it matters within its step
	Aim    Aim
	Source string
}

const (
	practice = "pruning practice; the numbers are our estimates"
	ripening = "Heinicke 1966; Jackson 1970; Lakso 1980"
	strength = "strength of green wood, a safety of three; our estimate"
)

// finder holds one reading of a map.
type finder struct {
	m      *limb.Map
	light  limb.Light
	vigour limb.Vigour
	yard   Yard
	o      Options
	out    []Finding

	chain   []bool // on the way to the leader
	leader  int    // -1: none
	sucker  []bool
	sprout  []bool
	loads   []load
	fruited bool // fruit was counted somewhere on the tree
	boxes   []box
	cells   *cells
}

// Reading is all that Findings needs besides the map. Light and Vigour may be nil: unknown.
type Reading struct {
	Light   limb.Light
	Vigour  limb.Vigour
	Yard    Yard
	Options Options
}

// Findings reads a map. Findings that need light are skipped without it. They come in the order of work: by step, then
// the worst first. Cost: n log n in the number of limbs for pairs that lie apart, n for the rest.
func Findings(m *limb.Map, r Reading) []Finding {
	f := newFinder(m, r)
	for i := range m.Axes {
		f.marks(i)
		if m.WhollyDead(i) {
			continue
		}
		if f.sucker[i] {
			f.tellSucker(i)
			continue
		}
		if f.sprout[i] {
			f.tellSprout(i)
		}
		for _, d := range declarations {
			if d.limb != nil {
				d.limb(f, i)
			}
		}
	}
	for _, d := range declarations {
		if d.tree != nil {
			d.tree(f)
		}
	}
	f.out = slices.DeleteFunc(f.out, func(x Finding) bool { return slices.Contains(f.o.Without, x.Code) })
	slices.SortStableFunc(f.out, func(a, b Finding) int {
		return cmp.Or(cmp.Compare(a.Step, b.Step), cmp.Compare(b.Severity, a.Severity), cmp.Compare(a.Limb, b.Limb), cmp.Compare(a.Code, b.Code))
	})
	return f.out
}

func newFinder(m *limb.Map, r Reading) *finder {
	n := m.Len()
	f := &finder{
		m: m, light: r.Light, vigour: r.Vigour, yard: r.Yard, o: r.Options, leader: -1,
		chain: make([]bool, n), sucker: make([]bool, n), sprout: make([]bool, n),
	}
	if f.o.unset() {
		f.o = Defaults()
	}
	for i := range m.Axes {
		f.sucker[i] = !m.WhollyDead(i) && f.isSucker(i)
		f.fruited = f.fruited || m.Axes[i].Fruit != nil
	}
	f.findLeader()
	for i := range m.Axes {
		f.sprout[i] = !m.WhollyDead(i) && !f.sucker[i] && f.isSprout(i)
	}
	f.loads = f.allLoads()
	f.boxes = allBoxes(m)
	f.cells = sortIntoCells(m, f.boxes, f.o.BallCM)
	return f
}

// LeaderChain names the limbs from the ground to the leader, the leader last; empty where none leads.
func LeaderChain(m *limb.Map) []string {
	f := newFinder(m, Reading{})
	var out []string
	for i := range m.Axes {
		if f.chain[i] {
			out = append(out, m.Axes[i].ID)
		}
	}
	return out
}

// tell records a finding. Severity is kept to three decimals, so that equals sort by name, and the place to a tenth of a
// millimetre.
func (f *finder) tell(r Rule, i int, at, severity float64, evidence []Fact, limits ...Fact) *Finding {
	f.out = append(f.out, Finding{
		Code: r.Code, Limb: f.m.Axes[i].ID, AtCM: math.Round(at*100) / 100, Severity: math.Round(severity*1000) / 1000, Step: r.Step, Weight: r.Weight, Aim: r.Aim,
		Evidence: evidence, Limits: limits, Source: r.Source,
	})
	return &f.out[len(f.out)-1]
}

// noSprout: neither flagged nor found as a water sprout or a sucker.
func (f *finder) noSprout(i int) bool { return !f.sprout[i] && !f.sucker[i] }

// growing: a growing end and no dead wood.
func (f *finder) growing(i int) bool {
	return f.m.Axes[i].Tip == limb.Growing && !f.m.WhollyDead(i) && f.m.DeadAt(i) > f.m.Axes[i].L
}

func (f *finder) isLeader(i int) bool { return i == f.leader }

func (f *finder) grown(i int) int { return len(f.m.Axes[i].Rings) }

func (f *finder) habit() pomology.Bearing { return f.m.Kind.Growth.Bearing }

func (f *finder) live(i int) bool { return !f.m.WhollyDead(i) }

func (f *finder) ids(limbs []int) []string {
	out := make([]string, len(limbs))
	for k, i := range limbs {
		out[k] = f.m.Axes[i].ID
	}
	return out
}

// How long, cm, a limb is before it is judged: shorter wood is looked past (limbs.md#3-findings).
const (
	judgedFromCM = 20
	limbFromCM   = 30
)

// youngRings: a shoot of as many seasons at most is young.
const youngRings = 2

// bears says whether the wood from `at` on is this year's bearing wood of a kind that fruits on one-year shoots: it is
// renewed after the harvest, not taken before (limbs.md#35-leader-forks-tiers-shoots-bearers).
func (f *finder) bears(i int, at float64) bool {
	if f.habit() != pomology.OnLastYear || f.o.Harvested && f.m.Season == limb.Summer {
		return false
	}
	a := &f.m.Axes[i]
	most := 2
	if f.m.Season == limb.Summer {
		most = 3
	}
	first := max(0, len(a.Rings)-most)
	if at < a.RingStart(first)-0.5 || a.Tip == limb.DeadTip || f.m.Base(i).Z > f.o.ReachCM || f.m.Top(i) > f.o.ReachCM+overReachCM {
		return false
	}
	for _, c := range a.Children {
		if f.m.Axes[c].Attach < at {
			continue
		}
		for _, j := range f.m.Subtree(c) {
			if f.grown(j) > most {
				return false
			}
		}
	}
	return true
}

// free: a growing end, no sprout or sucker, not kept, its base within reach.
func (f *finder) free(i int) bool {
	return f.growing(i) && f.noSprout(i) && !f.m.Has(i, limb.Keep) && f.m.Base(i).Z <= f.o.ReachCM
}

// radiusCM is half a diameter in mm, in cm.
func radiusCM(dMM float64) float64 { return dMM / 20 }

func num(name string, v float64) Fact { return Fact{Name: name, Value: v} }

func yes(name string, v bool) Fact {
	if v {
		return Fact{Name: name, Value: 1}
	}
	return Fact{Name: name}
}
