package cut

import (
	"fmt"
	"math"

	"vertumna/core/find"
	"vertumna/core/growth"
	"vertumna/core/light"
	"vertumna/core/limb"
)

// Years asks for slips over several years.
type Years struct {
	N         int
	NoSummer  bool // one slip a year, in winter
	Options   Options
	Reading   find.Reading // thresholds and yard; its light is that of the tree as it stands
	LightOf   func(*limb.Map) limb.Light
	StopEarly bool // once a year asks for no cut
	// First is the first slip of all where it was made already, of the same tree, light and options; nil: it is made.
	First *Slip
	// In are the options and thresholds of the slips after the first, by year (0: the first) and season, as the school, the tree's age
	// and the person have them by then; what the year's account holds is added. nil: those of the first throughout.
	In func(n int, season limb.Season) (Options, find.Options)
	// Frame are the cuts of a young tree's training in a year, on its map with the slip of the season made; nil: none.
	Frame func(n int, m *limb.Map) []limb.CutAt
}

// Forecast is a tree over the years of its plan: the slips that its school and aim make, year by year.
type Forecast struct {
	Rows  []YearRow
	End   growth.Tree
	Above []Above // limbs that the years do not bring to reach, and why
	// Held is the first year from whose height cut on the tree stands within reach for good; -1: none.
	Held int
	// Needs is the lowest limit above the chosen one that brings the tree to reach and holds it; "": none does, or none is
	// needed.
	Needs Level
}

// Ahead makes the slips of the years to come, each on the tree the last one left, and where the tree does not come to reach
// looks whether a higher limit would do. Cost: that of Over, up to four times where reach cannot be had. Errors: those of
// Over.
func Ahead(tree growth.Tree, y Years) (Forecast, error) {
	out, err := y.forecast(tree)
	if err != nil || out.Held >= 0 || y.Options.Zones != nil {
		return out, err
	}
	for _, l := range levels {
		if l.Share <= y.Options.share()+1e-9 || l.Level == Formation {
			continue
		}
		more := y
		more.Options.Level = l.Level
		tried, err := more.forecast(tree)
		if err != nil {
			return out, err
		}
		if tried.Held >= 0 {
			out.Needs = l.Level
			break
		}
	}
	return out, nil
}

func (y Years) forecast(tree growth.Tree) (Forecast, error) {
	out := Forecast{Held: -1}
	var err error
	if out.Rows, out.End, err = Over(tree, y); err != nil {
		return out, err
	}
	reach := y.Reading.Options.ReachCM
	out.Held = HeldFrom(out.Rows, reach)
	if out.Held < 0 {
		out.Above = stillAbove(out.Rows, out.End.Map, reach, y.Options.share())
	}
	return out, nil
}

// HeldFrom is the first of the years from whose height cut on the tree stands within reach for good; -1: none.
func HeldFrom(rows []YearRow, reachCM float64) int {
	held := -1
	for n := len(rows) - 1; n >= 0 && rows[n].HeightCut <= reachCM+aboveReachCM; n-- {
		held = n
	}
	return held
}

// YearRow is what a year of a restoration comes to.
type YearRow struct {
	Dormant, Summer *Slip // Summer is nil without a summer slip
	// Account is the crown taken in the tree year.
	Account                   float64
	AboveReach                float64 // of the crown, when the year's last slip was made
	HeightBefore, HeightAfter float64
	HeightWinter              float64 // when its winter slip was made; 0: it has none
	HeightDay                 float64 // on the day of its summer slip, before it; 0: it has none
	HeightCut                 float64 // when the year's last slip was made
	FlowerBuds                float64
	Minutes                   float64
	Frame                     []limb.CutAt // what its training cuts, beside the slips
	// Winter and Day are the tree as it stood when its slips were made, as far as they were.
	Winter, Day growth.Tree
	// Bears is the tree whose wood bears in the year: cut in winter, or as it stands in summer where it had no winter slip; Lit is
	// the light of its limbs, nil: unknown.
	Bears *limb.Map
	Lit   limb.Light
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
// end. A summer map begins with its summer slip. What a person decided, and what the account holds, counts for the year it was
// said in. Cost: two slips and a season of growth a year. Errors: those of growth.Grow.
func Over(tree growth.Tree, y Years) ([]YearRow, growth.Tree, error) {
	var rows []YearRow
	next := 1 // the winter after a summer map is the next slip: what a person says now holds for it
	if tree.Map.Season == limb.Summer {
		next = 2
	}
	for n := range y.N {
		row := YearRow{HeightBefore: tree.Map.Height()}
		var err error
		if n == 0 && tree.Map.Season == limb.Summer {
			tree, err = y.restOfYear(tree, &row)
		} else {
			tree, err = y.year(tree, n, n >= next, &row)
		}
		if err != nil {
			return nil, tree, fmt.Errorf("year %d: %w", n+1, err)
		}
		row.HeightAfter = tree.Map.Height()
		for _, s := range []*Slip{row.Dormant, row.Summer} {
			if s != nil {
				row.Minutes += s.Minutes
			}
		}
		rows = append(rows, row)
		if y.StopEarly && row.idle() {
			break
		}
	}
	return rows, tree, nil
}

// endOfDays: in a year to come every day that a person named has passed.
const endOfDays = "9999-12-31"

// idle: nothing was cut in the year.
func (r YearRow) idle() bool {
	return (r.Dormant == nil || len(r.Dormant.Cuts) == 0) && (r.Summer == nil || len(r.Summer.Cuts) == 0)
}

// year makes the slips of a tree year and grows the tree through it.
func (y Years) year(tree growth.Tree, n int, later bool, row *YearRow) (growth.Tree, error) {
	winter := y.winter(n, later)
	var err error
	lit := y.light(tree.Map, y.given(tree))
	row.Winter = tree
	if row.Dormant = y.First; n > 0 || y.First == nil {
		if row.Dormant, err = slipInLight(tree, winter, lit); err != nil {
			return tree, err
		}
	}
	row.Account = row.Dormant.Account
	if row.Bears, err = afterCuts(tree.Map, row.Dormant); err != nil {
		return tree, err
	}
	framed, made := y.framed(n, row.Bears, row)
	row.Bears = framed
	row.Lit = carriedOver(lit, tree.Map, row.Bears)
	row.HeightWinter = row.Bears.Height()
	row.HeightCut = row.HeightWinter
	work, last := growth.Work{Dormant: append(row.Dormant.Made(), made...)}, tree.Map
	if !y.NoSummer {
		work.Slip = func(day *limb.Map, light limb.Light) ([]growth.Cut, error) {
			last = day
			tree := tree
			tree.Map = day
			var err error
			if row.Summer, err = slipInLight(tree, y.summer(n, later, winter, row.Dormant), y.light(day, light)); err != nil {
				return nil, err
			}
			if err := row.inSummer(tree); err != nil {
				return nil, err
			}
			return append(row.Summer.Made(), y.afterSlip(n, tree, row)...), nil
		}
	}
	next, report, err := growth.Grow(tree, work)
	if err != nil {
		return tree, err
	}
	row.AboveReach, row.FlowerBuds = shareAbove(last, y.Reading.Options.ReachCM), report.FlowerBuds
	return next, nil
}

// restOfYear makes the summer slip of a tree as it stands in summer, and brings it to leaf fall.
func (y Years) restOfYear(tree growth.Tree, row *YearRow) (growth.Tree, error) {
	lit := y.light(tree.Map, y.given(tree))
	var err error
	if row.Summer = y.First; row.Summer == nil {
		if row.Summer, err = slipInLight(tree, ask{y.Options.inLeaf(), y.Reading}, lit); err != nil {
			return tree, err
		}
	}
	if err := row.inSummer(tree); err != nil {
		return tree, err
	}
	row.AboveReach = shareAbove(tree.Map, y.Reading.Options.ReachCM)
	row.Bears, row.Lit = tree.Map, lit
	next, err := growth.Close(tree, append(row.Summer.Made(), y.afterSlip(0, tree, row)...), 0)
	if err != nil {
		return tree, err
	}
	light := y.light(next.Map, y.given(next))
	for i := range next.Map.Axes {
		row.FlowerBuds += next.Map.FlowerBuds(i, light, nil)
	}
	return next, nil
}

// framed makes the cuts of a tree's training, as far as they can be made.
func (y Years) framed(n int, m *limb.Map, row *YearRow) (*limb.Map, []growth.Cut) {
	if y.Frame == nil {
		return m, nil
	}
	cutter := m.Cutter()
	var made []growth.Cut
	for _, c := range y.Frame(n, m) {
		if cutter.Map().Index(c.Limb) >= 0 && cutter.Cut(c) == nil {
			made = append(made, growth.Cut{CutAt: c})
			row.Frame = append(row.Frame, c)
		}
	}
	return cutter.Map(), made
}

// afterSlip makes the training's cuts of a summer on the tree with its slip made.
func (y Years) afterSlip(n int, tree growth.Tree, row *YearRow) []growth.Cut {
	cut, err := afterCuts(tree.Map, row.Summer)
	if err != nil {
		return nil
	}
	framed, made := y.framed(n, cut, row)
	row.HeightCut = framed.Height()
	return made
}

// inSummer tells what the summer slip makes of the tree as it stands on its day.
func (r *YearRow) inSummer(tree growth.Tree) error {
	r.Day, r.Account, r.HeightDay = tree, r.Summer.Account, tree.Map.Height()
	cut, err := afterCuts(tree.Map, r.Summer)
	if err == nil {
		r.HeightCut = cut.Height()
	}
	return err
}

// given is the light a tree brings along; nil: none.
func (y Years) given(tree growth.Tree) limb.Light {
	if tree.Given == nil {
		return nil
	}
	out := make(limb.Light, tree.Map.Len())
	for i := range tree.Map.Axes {
		out[i] = tree.Given[tree.Map.Axes[i].ID]
	}
	return out
}

// afterCuts is a tree when its slip is made.
func afterCuts(m *limb.Map, s *Slip) (*limb.Map, error) {
	cutter := m.Cutter()
	for k := range s.Cuts {
		if cutter.Map().Index(s.Cuts[k].Limb) < 0 {
			continue
		}
		if err := cutter.Cut(s.Cuts[k].CutAt); err != nil {
			return nil, err
		}
	}
	return cutter.Map(), nil
}

// carriedOver is the light of a tree's limbs as they stand on a later map of it; nil where it is unknown.
func carriedOver(l limb.Light, from, to *limb.Map) limb.Light {
	if l == nil {
		return nil
	}
	out := make(limb.Light, to.Len())
	for i := range to.Axes {
		if k := from.Index(to.Axes[i].ID); k >= 0 {
			out[i] = l[k]
		}
	}
	return out
}

// light is what was given, else what the yard gives.
func (y Years) light(m *limb.Map, given limb.Light) limb.Light {
	if y.LightOf != nil {
		return y.LightOf(m)
	}
	return given
}

func slipInLight(tree growth.Tree, a ask, light limb.Light) (*Slip, error) {
	a.reading.Light = light
	p, err := NewPlanner(tree, a.reading, a.Options)
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
					if c.Finding.Code == find.OverHeight && c.Finding.Limb == a.Limb {
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
	case OverToSummer, OverToWinter, NotInLeaf, Lowered, GrewBack:
	default:
		return
	}
	n := len(rows)
	if n < 2 || rows[n-1].AboveReach <= a.Limit || rows[n-2].AboveReach <= a.Limit {
		return
	}
	a.Why, a.Grows = Outgrows, rows[n-1].AboveReach
}

// Hours of care of a young tree against a grown one's, and of planting (our estimates).
const (
	youngCare     = 0.5
	plantingHours = 2
	heldYears     = 3
)

// KeepHours are the hours of all care that a tree's planned years ask: a usual year's, in which holding it is one part, and what
// cutting takes beyond a year of holding.
func KeepHours(rows []YearRow, hoursAYear int) float64 {
	held, sum := 0.0, 0.0
	last := rows[max(0, len(rows)-heldYears):]
	for _, r := range last {
		held += r.Minutes / float64(len(last))
	}
	for _, r := range rows {
		sum += float64(hoursAYear) + math.Max(0, r.Minutes-held)/60
	}
	return sum
}

// NewTreeHours are the hours of all care that a new tree asks over the same years: planting, half a grown tree's until it bears
// half its crop, then the whole.
func NewTreeHours(years, hoursAYear, yearsToFull int) float64 {
	sum := float64(plantingHours)
	for n := range years {
		part := 1.0
		if NewTreeCrop(n+1, yearsToFull) < youngCare {
			part = youngCare
		}
		sum += part * float64(hoursAYear)
	}
	return sum
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
