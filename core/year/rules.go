package year

import (
	"vertumna/core/almanac"
	"vertumna/core/pomology"
	"vertumna/core/training"
)

// context is what a rule sees: one tree in one season, with the school in force for it.
type context struct {
	yard    *Yard
	tree    *Tree
	a       *Anchors
	school  pomology.Resolved
	season  int
	south   bool
	age     int
	aim     AimVerdict
	entries []Entry // of this tree, up to the day shown
	reachM  float64
	account *Account
	inLeaf  LeafCut
	// takenAsHigh asks of the rules what they would do with a tree that passes reach.
	takenAsHigh bool
	shown       almanac.Day
	formation   *training.Way // of a tree that is formed still
	rigs        []Clocked     // devices on it
}

// draft is a task before its state is known.
type draft struct {
	kind     TaskKind
	key      string // of a person's own task: its id
	n        int    // tells several tasks of one kind apart
	opens    Bound
	closes   Bound
	grades   []Grade
	reasons  []Reason
	held     []Reason
	cautions []string
	share    float64
	minutes  float64
	title    string
	step     *training.Step // of formation
}

// rule turns a context into the tasks it calls for. A new rule of the year is a new function in this list.
type rule func(c *context) []draft

func (c *context) at(anchor string, offset int) Bound {
	x := c.a.At(anchor)
	return Bound{shift(x.Day, offset), shift(x.Early, offset), shift(x.Late, offset), anchor, offset, x.Source}
}

func (c *context) stage(s almanac.Stage, offset int) Bound { return c.at(s.String(), offset) }

func logged(d almanac.Day, offset int) Bound {
	x := shift(d, offset)
	return Bound{x, x, x, Logged, offset, "logged"}
}

// earlier is the bound that comes first; an unknown one gives way.
func earlier(a, b Bound) Bound {
	if !a.Day.Known() || b.Day.Known() && b.Day < a.Day {
		return b
	}
	return a
}

func later(a, b Bound) Bound {
	if !a.Day.Known() || b.Day.Known() && b.Day > a.Day {
		return b
	}
	return a
}

func after(b Bound, days int) Bound {
	b.Day, b.Early, b.Late, b.OffsetDays = shift(b.Day, days), shift(b.Early, days), shift(b.Late, days), b.OffsetDays+days
	return b
}

func (b Bound) reason(rule string) Reason {
	return reason(rule).on(b.Anchor, b.Day).num(float64(b.OffsetDays), "days")
}

func (c *context) group() pomology.Group { return c.tree.Kind.Group }

func (c *context) shrub() bool { return c.tree.Kind.LowTree == pomology.DoesNotSuit }

func (c *context) flat() bool { return c.tree.Flat() }

// Flat says whether a tree is kept in a plane, against a wall or on wires.
func (t *Tree) Flat() bool {
	f, err := pomology.FormBySlug(t.Form)
	return err == nil && f.Flat
}

// OverReachM is what a tree may stand above the reach line before it is told: as much as a top on its map may (limbs.md#3-findings).
const OverReachM = 0.05

// height is the tree's height and whether it stands above the reach line.
func (c *context) height() (m float64, over, known bool) {
	m = c.tree.HeightM
	return m, m > c.reachM+OverReachM, m > 0
}

// dated says whether an entry falls into a season of account or is logged for it.
func (c *context) logged(kind TaskKind) (out []Entry) {
	for _, e := range c.entries {
		if e.Kind == WorkEntry && e.Task == kind && e.Season == c.season {
			out = append(out, e)
		}
	}
	return out
}

func finished(entries []Entry) (Entry, bool) {
	for _, e := range entries {
		if e.Outcome == Done || e.Outcome == NothingNeeded || e.Outcome == Part {
			return e, true
		}
	}
	return Entry{}, false
}
