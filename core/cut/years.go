package cut

import (
	"cmp"
	"errors"
	"fmt"
	"math"
	"slices"
	"sync"

	"vertumna/core/find"
	"vertumna/core/growth"
	"vertumna/core/light"
	"vertumna/core/limb"
)

// Years asks for slips over several years.
type Years struct {
	N         int
	NoSummer  bool    // one slip a year, in winter
	Winter    float64 // part of the level that winter may use; 0: two thirds, then half
	Options   Options
	Reading   find.Reading // thresholds and yard; its light is that of the tree as it stands
	LightOf   func(*limb.Map) limb.Light
	StopEarly bool // once a year asks for no cut
	// HeightFirst brings the tops first from the first year on.
	HeightFirst bool
}

// Course is how a restoration parts its years between winter and summer.
type Course string

// The courses, as the school names them: two thirds in winter and one in summer, or only sick wood in winter and the rest in
// summer, when a cut calms.
const (
	WinterFirst Course = "two-thirds"
	SummerFirst Course = "summer-first"
)

// Restoration is a tree brought to reach over several years, as far as the yearly limit lets it.
type Restoration struct {
	Rows   []YearRow
	End    growth.Tree
	Course Course
	Above  []Above // limbs that the years do not bring to reach, and why
	// Needs is the lowest limit above the chosen one that brings every limb to reach, in NeedsYears years; "": none does, or
	// none is needed.
	Needs      Level
	NeedsYears int

	way way
}

// Restore makes the slips of several years in more than one way and keeps what ends nearest to reach; where several reach
// it, what leaves the most flower buds. Winter first, or only summer cuts: a winter cut of a strong top answers with growth
// that a yearly limit cannot catch up with; summer first is slower to open the tree but keeps it down. Where neither brings
// it to reach, the tops come before what crosses as well; and where limbs still stay above, the way found is tried under
// higher limits. Cost: on two cores that of Over, up to four times that for a tree that cannot be brought to reach. Errors:
// those of Over.
func Restore(tree growth.Tree, y Years) (Restoration, error) {
	tried, err := eachWay(tree, y.courses())
	if err != nil {
		return Restoration{}, err
	}
	best := nearest(tried, y)
	if len(best.Above) == 0 {
		return best, nil
	}
	var before []way
	for _, w := range y.courses() {
		w.years.Options.TopsBefore = true
		before = append(before, w)
	}
	more, err := eachWay(tree, before)
	if err != nil {
		return Restoration{}, err
	}
	best = nearest(append(tried, more...), y)
	if len(best.Above) == 0 || y.Options.Zones != nil {
		return best, nil
	}
	var higher []way
	for _, l := range levels {
		if l.Share > y.Options.share()+1e-9 && l.Level != Formation {
			w := best.way
			w.years.Options.Level = l.Level
			higher = append(higher, w)
		}
	}
	under, err := eachWay(tree, higher)
	if err != nil {
		return Restoration{}, err
	}
	for _, r := range under {
		if r.Above = r.above(); len(r.Above) == 0 {
			best.Needs, best.NeedsYears = r.way.years.Options.Level, r.reachedIn()
			break
		}
	}
	return best, nil
}

// way is one way to part a restoration.
type way struct {
	course Course
	years  Years
}

func (y Years) courses() []way {
	out := []way{{WinterFirst, y}}
	if !y.NoSummer && y.Options.HeightCut != WhenDormant {
		calm := y
		calm.Winter, calm.Options.HeightCut = nothing, InSummer
		out = append(out, way{SummerFirst, calm})
	}
	return out
}

func eachWay(tree growth.Tree, ways []way) ([]Restoration, error) {
	tried, errs := make([]Restoration, len(ways)), make([]error, len(ways))
	var wait sync.WaitGroup
	for k, w := range ways {
		wait.Go(func() {
			r := Restoration{Course: w.course, way: w}
			r.Rows, r.End, errs[k] = Over(tree, w.years)
			tried[k] = r
		})
	}
	wait.Wait()
	return tried, errors.Join(errs...)
}

// nearest is what ends nearest to reach, with the limbs it leaves above.
func nearest(tried []Restoration, y Years) Restoration {
	over := func(r Restoration) float64 {
		return math.Round(math.Max(0, r.End.Map.Height()-y.Reading.Options.ReachCM-aboveReachCM))
	}
	buds := func(r Restoration) float64 { return math.Round(r.Rows[len(r.Rows)-1].FlowerBuds) }
	best := slices.MinFunc(tried, func(a, b Restoration) int {
		return cmp.Or(cmp.Compare(over(a), over(b)), cmp.Compare(buds(b), buds(a)))
	})
	best.Above = best.above()
	return best
}

func (r Restoration) reachCM() float64 { return r.way.years.Reading.Options.ReachCM }

func (r Restoration) above() []Above {
	return stillAbove(r.Rows, r.End.Map, r.reachCM(), r.way.years.Options.share())
}

// reachedIn is the year from whose end on the tree stands within reach.
func (r Restoration) reachedIn() int {
	n := len(r.Rows)
	for n > 1 && r.Rows[n-2].HeightAfter <= r.reachCM()+aboveReachCM {
		n--
	}
	return n
}

// YearRow is what a year of a restoration comes to.
type YearRow struct {
	Dormant, Summer *Slip // Summer is nil without a summer slip
	// Account is the crown taken in the tree year.
	Account                   float64
	AboveReach                float64 // of the crown, when the year's last slip was made
	HeightBefore, HeightAfter float64
	FlowerBuds                float64
	Minutes                   float64
}

// Last is the year's last slip.
func (r YearRow) Last() *Slip {
	if r.Summer != nil {
		return r.Summer
	}
	return r.Dormant
}

// Shares of the level that the dormant slip may use where a summer slip follows: two thirds, then half, for the tops come
// first from the second year on.
const (
	firstWinter  = 2.0 / 3
	laterWinters = 0.5
)

// Over makes slips year by year, each on the tree the last one left, and tells what every year comes to and the tree at the
// end. Cost: two slips and a season of growth a year. Errors: those of growth.Grow.
func Over(tree growth.Tree, y Years) ([]YearRow, growth.Tree, error) {
	var rows []YearRow
	for n := range y.N {
		row := YearRow{HeightBefore: tree.Map.Height()}
		o := y.Options
		o.HeightFirst = n > 0 || y.HeightFirst
		switch {
		case y.NoSummer:
			o.Part = 1
		case y.Winter > 0:
			o.Part = y.Winter
		case n == 0:
			o.Part = firstWinter
		default:
			o.Part = laterWinters
		}
		var err error
		if row.Dormant, err = y.slip(tree, o); err != nil {
			return nil, tree, fmt.Errorf("winter %d: %w", n+1, err)
		}
		row.Account = row.Dormant.Account
		work, last := growth.Work{Dormant: row.Dormant.Made()}, tree.Map
		if !y.NoSummer {
			work.Slip = func(day *limb.Map, light limb.Light) ([]growth.Cut, error) {
				o := o
				o.Part, o.Used, o.BigUsed = 1, row.Dormant.Account, row.Dormant.BigWounds
				t := tree
				t.Map, last = day, day
				s, err := y.slipInLight(t, o, y.light(day, light))
				if err != nil {
					return nil, err
				}
				row.Summer, row.Account = s, s.Account
				return s.Made(), nil
			}
		}
		next, report, err := growth.Grow(tree, work)
		if err != nil {
			return nil, tree, fmt.Errorf("year %d: %w", n+1, err)
		}
		row.AboveReach = shareAbove(last, y.Reading.Options.ReachCM)
		row.HeightAfter, row.FlowerBuds = next.Map.Height(), report.FlowerBuds
		row.Minutes = row.Dormant.Minutes
		if row.Summer != nil {
			row.Minutes += row.Summer.Minutes
		}
		rows, tree = append(rows, row), next
		if y.StopEarly && len(row.Dormant.Cuts) == 0 && (row.Summer == nil || len(row.Summer.Cuts) == 0) {
			break
		}
	}
	return rows, tree, nil
}

func (y Years) slip(tree growth.Tree, o Options) (*Slip, error) {
	given := make(limb.Light, tree.Map.Len())
	for i := range tree.Map.Axes {
		given[i] = tree.Given[tree.Map.Axes[i].ID]
	}
	if tree.Given == nil {
		given = nil
	}
	return y.slipInLight(tree, o, y.light(tree.Map, given))
}

// light is what was given, else what the yard gives.
func (y Years) light(m *limb.Map, given limb.Light) limb.Light {
	if y.LightOf != nil {
		return y.LightOf(m)
	}
	return given
}

func (y Years) slipInLight(tree growth.Tree, o Options, light limb.Light) (*Slip, error) {
	r := y.Reading
	r.Light = light
	p, err := NewPlanner(tree, r, o)
	if err != nil {
		return nil, err
	}
	return p.Plan(), nil
}

// shareAbove is the part of a tree's leaf that stands above a height.
func shareAbove(m *limb.Map, reachCM float64) float64 {
	above, all := 0.0, 0.0
	for _, l := range light.Lots(m) {
		all += l.LeafM2
		if l.At.Z > reachCM {
			above += l.LeafM2
		}
	}
	if all == 0 {
		return 0
	}
	return above / all
}

// Above is a limb that the years do not bring to reach, and why.
type Above struct {
	Limb  string
	CM    float64 // above reach, with all it carries
	Why   Why
	Now   float64    // cm it was lowered by in the last year
	Cut   *Candidate // the cut that was refused
	Grows float64    // of the crown that grew above reach by the last slip, where that is more than the limit
	Limit float64    // of the crown, a year
}

// aboveReachCM: a top this little above reach counts as within it.
const aboveReachCM = 20

// GrewBack: it was cut to reach, and grew above it again. Outgrows: more of the crown grows above reach each year than the
// limit lets go.
const (
	GrewBack Why = "grew-back"
	Outgrows Why = "outgrows"
)

// stillAbove names the limbs that stand more than 20 cm above reach after the years, with what held them back in the last
// slip.
func stillAbove(rows []YearRow, end *limb.Map, reachCM, limit float64) []Above {
	var out []Above
	for i := range end.Axes {
		over := end.Top(i) - reachCM
		carrier := end.Axes[i].Parent
		if over <= aboveReachCM || end.WhollyDead(i) || carrier >= 0 && end.Base(i).Z > reachCM && end.Top(carrier) > reachCM+aboveReachCM {
			continue // told with its carrier
		}
		for _, k := range end.Subtree(i) {
			if !end.WhollyDead(k) {
				over = math.Max(over, end.Top(k)-reachCM)
			}
		}
		a := Above{Limb: end.Axes[i].ID, CM: over, Why: GrewBack, Limit: limit}
		if len(rows) > 0 {
			last := rows[len(rows)-1]
			for _, s := range []*Slip{last.Dormant, last.Summer} {
				if s == nil {
					continue
				}
				for _, c := range append(append([]Carried{}, s.Carried...), s.LookFirst...) {
					if c.Finding.Code == "over_height" && c.Finding.Limb == a.Limb {
						a.Why, a.Now, a.Cut = c.Why, c.CM, c.Cut
					}
				}
			}
		}
		a.outgrows(rows)
		out = append(out, a)
	}
	return out
}

// outgrows: the limit holds the limb back, and in the last years more grew above reach than it lets go.
func (a *Above) outgrows(rows []YearRow) {
	switch a.Why {
	case OverToSummer, OverToWinter, Lowered, GrewBack:
	default:
		return
	}
	n := len(rows)
	if n < 2 || rows[n-1].AboveReach <= a.Limit || rows[n-2].AboveReach <= a.Limit {
		return
	}
	a.Why, a.Grows = Outgrows, rows[n-1].AboveReach
}

// NewTreeCrop is the part of a full crop that a new tree bears in its nth year: nothing in its first third, then rising
// evenly (our estimate).
func NewTreeCrop(n, yearsToFull int) float64 {
	first := float64(yearsToFull) / 3
	if yearsToFull <= 0 {
		return 1
	}
	return math.Max(0, math.Min(1, (float64(n)-first)/(float64(yearsToFull)-first)))
}
