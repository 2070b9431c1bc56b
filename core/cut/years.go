package cut

import (
	"fmt"
	"math"

	"vertumna/core/find"
	"vertumna/core/growth"
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

// The courses: two thirds in winter and one in summer, or only sick wood in winter and the rest in summer, when a cut calms.
const (
	WinterFirst Course = "winter-first"
	SummerFirst Course = "summer-first"
)

// Restore makes the slips of several years both ways and keeps the course that ends nearest to reach; where both reach it,
// the one that leaves more flower buds. A winter cut of a strong top answers with growth that a yearly limit cannot catch up
// with; summer first is slower to open the tree but keeps it down. Cost: twice that of Over, on two cores. Errors: those of
// Over.
func Restore(tree growth.Tree, y Years) ([]YearRow, growth.Tree, Course, error) {
	type way struct {
		rows []YearRow
		end  growth.Tree
		err  error
	}
	var winter, summer way
	done := make(chan struct{})
	go func() {
		defer close(done)
		winter.rows, winter.end, winter.err = Over(tree, y)
	}()
	calm := y
	calm.Winter = nothing
	calm.Options.HeightCut = InSummer
	summer.rows, summer.end, summer.err = Over(tree, calm)
	<-done
	if winter.err != nil || y.NoSummer || y.Options.HeightCut == WhenDormant {
		return winter.rows, winter.end, WinterFirst, winter.err
	}
	if summer.err != nil {
		return nil, tree, SummerFirst, summer.err
	}
	reach := y.Reading.Options.ReachCM
	over := func(w way) float64 { return math.Max(0, w.end.Map.Height()-reach-aboveReachCM) }
	buds := func(w way) float64 { return w.rows[len(w.rows)-1].FlowerBuds }
	if a, b := over(winter), over(summer); a < b || a == b && buds(winter) >= buds(summer) {
		return winter.rows, winter.end, WinterFirst, nil
	}
	return summer.rows, summer.end, SummerFirst, nil
}

// YearRow is what a year of a restoration comes to.
type YearRow struct {
	Dormant, Summer *Slip // Summer is nil without a summer slip
	// Account is the crown taken in the tree year.
	Account                   float64
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
		work := growth.Work{Dormant: row.Dormant.Made()}
		if !y.NoSummer {
			work.Slip = func(day *limb.Map, light limb.Light) ([]growth.Cut, error) {
				o := o
				o.Part, o.Used, o.BigUsed = 1, row.Dormant.Account, row.Dormant.BigWounds
				t := tree
				t.Map = day
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

// Above is a limb that the years do not bring to reach, and why.
type Above struct {
	Limb string
	CM   float64 // above reach, with all it carries
	Why  Why
	Now  float64    // cm it was lowered by in the last year
	Cut  *Candidate // the cut that was refused
}

// aboveReachCM: a top this little above reach counts as within it.
const aboveReachCM = 20

// StillAbove names the limbs that stand more than 20 cm above reach after the years, with what held them back in the last
// slip.
func StillAbove(rows []YearRow, end *limb.Map, reachCM float64) []Above {
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
		a := Above{Limb: end.Axes[i].ID, CM: over, Why: GrewBack}
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
		out = append(out, a)
	}
	return out
}

// GrewBack: it was cut to reach, and grew above it again.
const GrewBack Why = "grew-back"

// NewTreeCrop is the part of a full crop that a new tree bears in its nth year: nothing in its first third, then rising
// evenly (our estimate).
func NewTreeCrop(n, yearsToFull int) float64 {
	first := float64(yearsToFull) / 3
	if yearsToFull <= 0 {
		return 1
	}
	return math.Max(0, math.Min(1, (float64(n)-first)/(float64(yearsToFull)-first)))
}
