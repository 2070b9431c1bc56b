package orchard

import (
	"context"
	"fmt"
	"maps"
	"slices"
	"strings"

	"vertumna/core/almanac"
	"vertumna/core/find"
	"vertumna/core/given"
	"vertumna/core/pomology"
	"vertumna/core/training"
	"vertumna/core/year"
	"vertumna/store"
	"vertumna/words"
)

// EntryBody is an entry with how good its day was for the job.
type EntryBody struct {
	Entry    store.Entry   `json:"entry"`
	Grade    *GradeBody    `json:"grade,omitempty"`
	Warnings []given.Fault `json:"warnings" nullable:"false"`
	UndoFor  int           `json:"undo_for_s"`
}

// CheckOwnTask refuses a task of a person's own that cannot be.
func (k *Keeper) CheckOwnTask(ctx context.Context, o *store.Orchard, t *store.OwnTask) error {
	if t.TreeID != "" {
		if _, err := k.store.Tree(ctx, o.ID, t.TreeID); err != nil {
			return err
		}
	}
	return t.Check().Err()
}

// Log checks an entry, adds what is known of its day (the tree's stage, the school in force, how good the day was)
// and logs it. A job outside its window is accepted with its reason.
func (k *Keeper) Log(ctx context.Context, slug string, e store.Entry) (*EntryBody, error) {
	if e.Rig != nil {
		return nil, given.Fault{Code: given.Conflict, Field: "rig", Given: "a device", Expected: "its own place to be logged: the tree's training, where it is checked"}
	}
	if e.Trial != nil {
		if _, err := training.ReadArms(*e.Trial); err != nil {
			return nil, err
		}
	}
	c, err := k.store.Contents(ctx, slug)
	if err != nil {
		return nil, err
	}
	out, err := k.stampEntry(ctx, c, &e)
	if err != nil {
		return nil, err
	}
	if err := k.store.AddEntry(ctx, c.Orchard.ID, &e); err != nil {
		return nil, err
	}
	out.Entry = e
	out.Warnings = words.Speaker{Units: words.Units(c.Orchard.Units)}.Faults(out.Warnings)
	return &out, nil
}

// stampEntry checks an entry and adds what is known of its day.
func (k *Keeper) stampEntry(ctx context.Context, c *store.Contents, e *store.Entry) (EntryBody, error) {
	out := EntryBody{Warnings: []given.Fault{}, UndoFor: int(store.UndoFor.Seconds())}
	e.Created = ""
	tree, err := treeOf(c, e.TreeID)
	if err != nil {
		return out, err
	}
	if e.Grafted != nil {
		if tree == nil {
			return out, given.Fault{Code: given.Missing, Field: "tree_id", Given: "none", Expected: "the tree that was grafted on"}
		}
		if made := lastGraft(c, e); made != nil {
			seen := made.Grafted.Seen(*e.Grafted)
			e.Grafted = &seen
		}
		if err := training.CheckGraft(*e.Grafted, tree.Kind.Slug); err != nil {
			return out, err
		}
	}
	core := e.Core()
	if err := append(year.CheckEntry(&core, tree, k.today()), append(endTestFaults(e), e.Check()...)...).Err(); err != nil {
		return out, err
	}
	if c.Orchard.Site != nil {
		e.Season = year.SeasonOf(e.Date, c.Orchard.Site.South())
		if err := k.stampDay(ctx, c.Orchard.Slug, e, tree, &out); err != nil {
			return out, err
		}
	}
	if err := k.checkFruiting(ctx, c, e, tree, &out); err != nil {
		return out, err
	}
	if e.Weather == nil && e.Kind != "slip" {
		e.Weather = weatherOn(c.Sky, e.Date)
	}
	e.School = c.Orchard.School.Preset
	if e.School == "" {
		e.School = pomology.DefaultPreset
	}
	e.SchoolOwn = departures(c.Orchard.School.Own)
	if e.Who == "" && len(c.People) > 0 {
		e.Who = c.People[0].Name
	}
	return out, nil
}

// lastGraft is the graft that a look at one is of; nil where the entry is no look, or nothing was grafted.
func lastGraft(c *store.Contents, e *store.Entry) *store.Entry {
	var out *store.Entry
	for i := range c.Entries {
		g := &c.Entries[i]
		made := e.Task == string(year.GraftLook) && g.Task == string(year.Graft) && g.TreeID == e.TreeID && g.Grafted != nil
		if made && g.Date <= e.Date && (out == nil || g.Date >= out.Date) {
			out = g
		}
	}
	return out
}

// endTestFaults tells answers to end tests that nobody asks for.
func endTestFaults(e *store.Entry) given.Faults {
	var out given.Faults
	if e.Kind == "end-tests" && (e.TreeID == "" || len(e.EndTests) == 0) {
		out = append(out, given.Fault{Code: "no_tests", Field: "end_tests", Given: "none", Expected: "a tree and at least one answer"})
	}
	return append(out, find.CheckAnswers(e.EndTests)...)
}

// departures writes the choices that differ from the preset, in order.
func departures(own map[string]string) string {
	var out []string
	for _, k := range slices.Sorted(maps.Keys(own)) {
		out = append(out, k+"="+own[k])
	}
	return strings.Join(out, " ")
}

func treeOf(c *store.Contents, id string) (*year.Tree, error) {
	if id == "" {
		return nil, nil
	}
	for i := range c.Trees {
		if c.Trees[i].ID == id {
			t, err := c.Trees[i].Core()
			return &t, err
		}
	}
	return nil, given.Fault{Code: "no_tree", Field: "tree_id", Given: id, Expected: "a tree of this orchard"}
}

// stampDay reads the plan of the entry's day: the task it was logged for, its grade, the tree's stage.
func (k *Keeper) stampDay(ctx context.Context, slug string, e *store.Entry, tree *year.Tree, out *EntryBody) error {
	p, err := k.Plan(ctx, slug, e.Date)
	if err != nil {
		return err
	}
	if e.Kind == "observed" {
		if _, err := almanac.ParseStage(e.Stage); err != nil {
			return err
		}
		if err := k.checkObserved(p, e); err != nil {
			return err
		}
	}
	// work that names no task of its own is that of the running tree year, and only then one of the years beside it
	plans := append([]*year.Plan{p.Shown}, slices.DeleteFunc(slices.Clone(p.Plans), func(pl *year.Plan) bool { return pl == p.Shown })...)
	for _, pl := range plans {
		for i := range pl.Trees {
			tp := &pl.Trees[i]
			if tree == nil || tp.Tree.ID != tree.ID {
				continue
			}
			if pl == p.Shown {
				e.TreeStage = tp.Stage
				p.overLimit(tp, e, out)
			}
			if err := p.stampTask(tp, e, out); err != nil {
				return err
			}
		}
	}
	return nil
}

// overLimit warns of a cut that takes more than may still go this tree year, where nobody said why.
func (p *Planned) overLimit(tp *year.TreePlan, e *store.Entry, out *EntryBody) {
	a, said := tp.Account, strings.TrimSpace(e.Reason+e.Note) != ""
	if core := e.Core(); said || e.Corrects != "" || !a.Passed(core) { // what is corrected stands in the account already
		return
	}
	out.Warnings = append(out.Warnings, given.Fault{
		Code: "over_limit", Field: "share", Given: p.Speaker.Amount(e.Share, "share"), Expected: "at most " + p.Speaker.Amount(a.Left, "share") + " still to go",
		Says: p.Speaker.OverLimit(e.Share, a),
	})
}

// stampTask grades the day for the task the entry was logged for.
func (p *Planned) stampTask(tp *year.TreePlan, e *store.Entry, out *EntryBody) error {
	if e.HeadedCM > 0 && year.TaskKind(e.Task) == year.PlantingCut {
		if h, err := headingOf(&tp.Young, nil); err == nil && h.TooHigh(e.HeadedCM) {
			out.Warnings = append(out.Warnings, given.Fault{
				Code: "headed_high", Field: "headed_cm", Given: fmt.Sprintf("%g cm", e.HeadedCM), Expected: fmt.Sprintf("%.0f to %.0f cm", h.LowCM, h.HighCM),
				Says: p.Speaker.HeadedHigh(e.HeadedCM, h),
			})
		}
	}
	for i := range tp.Tasks {
		t := &tp.Tasks[i]
		if e.Kind != "work" || t.ID != e.TaskID && (e.TaskID != "" || string(t.Kind) != e.Task) {
			continue
		}
		e.TaskID, e.Task, e.Season = t.ID, string(t.Kind), t.Season
		outside := e.Date < t.Window.Opens.Day || e.Date > t.Window.Closes.Day
		g := t.GradeOn(e.Date)
		e.Grade = string(g.Level)
		says := p.Speaker.Grade(g)
		out.Grade = &GradeBody{dayOrNil(g.From), dayOrNil(g.To), g.Level, says}
		worked := e.Outcome == "done" || e.Outcome == "part"
		if worked && outside && (g.Level == year.Harmful || g.Level == year.Forbidden) && strings.TrimSpace(e.Reason) == "" {
			return given.Fault{Code: "reason_wanted", Field: "reason", Given: "none for a day outside the window (" + says + ")", Expected: "why it was done then", Says: says + " Say why it was done then, and it is logged."}
		}
		return nil
	}
	return nil
}

// checkObserved refuses a stage that contradicts what was seen this season.
func (k *Keeper) checkObserved(p *Planned, e *store.Entry) error {
	var tree *year.Tree
	for i := range p.Yard.Trees {
		if p.Yard.Trees[i].ID == e.TreeID {
			tree = &p.Yard.Trees[i]
		}
	}
	if tree == nil {
		return given.Fault{Code: "no_tree", Field: "tree_id", Given: "none", Expected: "the tree the stage was seen on"}
	}
	seen := append([]year.Entry{}, p.Yard.Entries...)
	for i := range seen {
		if seen[i].ID == e.Corrects {
			seen[i].Kind = "void"
		}
	}
	ens, err := k.ensemble(p.Contents, e.Season)
	if err != nil {
		return err
	}
	return year.CheckObserved(tree, ens, append(seen, e.Core()), p.Yard.Place.Site.South())
}
