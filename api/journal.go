package api

import (
	"context"
	"maps"
	"net/http"
	"slices"
	"strings"

	"github.com/danielgtaylor/huma/v2"

	"vertumna/core/almanac"
	"vertumna/core/find"
	"vertumna/core/given"
	"vertumna/core/pomology"
	"vertumna/core/year"
	"vertumna/store"
)

// EntryInput logs an entry. The id may be the caller's own, so that one sent twice is logged once.
type EntryInput struct {
	SlugInput
	Body store.Entry
}

// EntryBody is an entry with how good its day was for the job.
type EntryBody struct {
	Entry    store.Entry  `json:"entry"`
	Grade    *GradeBody   `json:"grade,omitempty"`
	Warnings []FieldError `json:"warnings" nullable:"false"`
	UndoFor  int          `json:"undo_for_s"`
}

// EntryOutput is the answer to a logged entry.
type EntryOutput struct{ Body EntryBody }

// EntriesInput asks for the journal, of one tree or all.
type EntriesInput struct {
	SlugInput
	Tree string `query:"tree" maxLength:"100"`
	All  bool   `query:"all" doc:"corrected entries too"`
}

// OwnTaskInput writes a task of a person's own.
type OwnTaskInput struct {
	SlugInput
	Body store.OwnTask
}

func (s *server) registerJournal(api huma.API) {
	const base = "/api/orchards/{slug}/entries"
	inOrchard(s, api, http.MethodGet, base, "list-entries", "The journal by date", func(ctx context.Context, o *store.Orchard, in *EntriesInput) (*struct {
		Body []store.Entry `nullable:"false"`
	}, error,
	) {
		read := s.Store.Entries
		if in.All {
			read = s.Store.Journal
		}
		all, _, err := read(ctx, o.ID) // what is set aside the plan tells of
		out := []store.Entry{}
		for _, e := range all {
			reaches := in.Tree == "" || e.TreeID == in.Tree || e.TreeID == "" && e.Kind == "frost-night"
			if reaches && (in.All || e.Kind != "slip") {
				out = append(out, e)
			}
		}
		return &struct {
			Body []store.Entry `nullable:"false"`
		}{out}, err
	})
	op(api, http.MethodPost, base, "add-entry", "Log what was done or seen", s.addEntry)
	inOrchard(s, api, http.MethodDelete, base+"/{id}", "undo-entry", "Undo what was logged in the last ten seconds", func(ctx context.Context, o *store.Orchard, in *IDInput) (*struct{}, error) {
		return nil, s.Store.Undo(ctx, o.ID, in.ID)
	})
	s.registerOwnTasks(api)
}

func (s *server) registerOwnTasks(api huma.API) {
	const base = "/api/orchards/{slug}/own-tasks"
	inOrchard(s, api, http.MethodGet, base, "list-own-tasks", "Tasks of one's own", func(ctx context.Context, o *store.Orchard, in *SlugInput) (*struct {
		Body []store.OwnTask `nullable:"false"`
	}, error,
	) {
		ts, err := s.Store.OwnTasks(ctx, o.ID)
		return &struct {
			Body []store.OwnTask `nullable:"false"`
		}{ts}, err
	})
	inOrchard(s, api, http.MethodPost, base, "add-own-task", "A task of one's own", func(ctx context.Context, o *store.Orchard, in *OwnTaskInput) (*struct{ Body store.OwnTask }, error) {
		t := in.Body
		t.ID = ""
		if err := s.checkOwnTask(ctx, o, &t); err != nil {
			return nil, err
		}
		err := s.Store.AddOwnTask(ctx, o.ID, &t)
		return &struct{ Body store.OwnTask }{t}, err
	})
	inOrchard(s, api, http.MethodDelete, base+"/{id}", "remove-own-task", "Take a task of one's own out", func(ctx context.Context, o *store.Orchard, in *IDInput) (*struct{}, error) {
		return nil, s.Store.RemoveOwnTask(ctx, o.ID, in.ID)
	})
}

func (s *server) checkOwnTask(ctx context.Context, o *store.Orchard, t *store.OwnTask) error {
	if t.TreeID != "" {
		if _, err := s.Store.Tree(ctx, o.ID, t.TreeID); err != nil {
			return err
		}
	}
	return refused(t.Check())
}

// addEntry checks an entry, adds what is known of its day (the tree's stage, the school in force, how good the day was)
// and logs it. A job outside its window is accepted with its reason.
func (s *server) addEntry(ctx context.Context, in *EntryInput) (*EntryOutput, error) {
	c, err := s.Store.Contents(ctx, in.Slug)
	if err != nil {
		return nil, err
	}
	e := in.Body
	out, err := s.stampEntry(ctx, c, &e)
	if err != nil {
		return nil, err
	}
	if err := s.Store.AddEntry(ctx, c.Orchard.ID, &e); err != nil {
		return nil, err
	}
	out.Entry = e
	return &EntryOutput{out}, nil
}

// stampEntry checks an entry and adds what is known of its day.
func (s *server) stampEntry(ctx context.Context, c *store.Contents, e *store.Entry) (EntryBody, error) {
	out := EntryBody{Warnings: []FieldError{}, UndoFor: int(store.UndoFor.Seconds())}
	e.Created = ""
	tree, err := treeOf(c, e.TreeID)
	if err != nil {
		return out, err
	}
	core := e.Core()
	if err := refused(append(year.CheckEntry(&core, tree, s.Today()), append(endTestFaults(e), e.Check()...)...)); err != nil {
		return out, err
	}
	if c.Orchard.Site != nil {
		e.Season = year.SeasonOf(e.Date, c.Orchard.Site.South())
		if err := s.stampDay(ctx, c.Orchard.Slug, e, tree, &out); err != nil {
			return out, err
		}
	}
	if err := s.checkFruiting(ctx, c, e, tree, &out); err != nil {
		return out, err
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

// endTestFaults tells answers to end tests that nobody asks for.
func endTestFaults(e *store.Entry) given.Faults {
	var out given.Faults
	if e.Kind == "end-tests" && (e.TreeID == "" || len(e.EndTests) == 0) {
		out = append(out, given.Fault{Code: "no_tests", Field: "end_tests", Given: "none", Expected: "a tree and at least one answer"})
	}
	for _, slug := range slices.Sorted(maps.Keys(e.EndTests)) {
		expected := "an end test"
		for _, t := range find.EndTests() {
			if t.Slug == slug {
				expected = t.Words[0] + " or " + t.Words[1]
				if slices.Contains(t.Words[:], e.EndTests[slug]) {
					expected = ""
				}
			}
		}
		if expected != "" {
			out = append(out, given.Fault{Code: "bad_test", Field: "end_tests." + slug, Given: e.EndTests[slug], Expected: expected})
		}
	}
	return out
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
func (s *server) stampDay(ctx context.Context, slug string, e *store.Entry, tree *year.Tree, out *EntryBody) error {
	p, err := s.planner.plan(ctx, slug, e.Date)
	if err != nil {
		return err
	}
	if e.Kind == "observed" {
		if _, err := almanac.ParseStage(e.Stage); err != nil {
			return err
		}
		if err := s.checkObserved(p, e); err != nil {
			return err
		}
	}
	for _, pl := range p.Plans {
		for i := range pl.Trees {
			tp := &pl.Trees[i]
			if tree == nil || tp.Tree.ID != tree.ID {
				continue
			}
			if pl == p.Shown {
				e.TreeStage = tp.Stage
			}
			if err := p.stampTask(tp, e, out); err != nil {
				return err
			}
		}
	}
	return nil
}

// stampTask grades the day for the task the entry was logged for.
func (p *Planned) stampTask(tp *year.TreePlan, e *store.Entry, out *EntryBody) error {
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
		out.Grade = &GradeBody{dayOrNil(g.From), dayOrNil(g.To), string(g.Level), says}
		worked := e.Outcome == "done" || e.Outcome == "part"
		if worked && outside && (g.Level == year.Harmful || g.Level == year.Forbidden) && strings.TrimSpace(e.Reason) == "" {
			return given.Fault{Code: "reason_wanted", Field: "reason", Given: "none for a day outside the window (" + says + ")", Expected: "why it was done then"}
		}
		return nil
	}
	return nil
}

// checkObserved refuses a stage that contradicts what was seen this season.
func (s *server) checkObserved(p *Planned, e *store.Entry) error {
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
	ens, err := s.planner.ensemble(p.Contents.Orchard.Site, e.Season)
	if err != nil {
		return err
	}
	return year.CheckObserved(tree, ens, append(seen, e.Core()), p.Yard.Place.Site.South())
}
