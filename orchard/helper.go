package orchard

import (
	"context"
	"encoding/json"
	"fmt"
	"slices"
	"strings"
	"time"

	"vertumna/core/almanac"
	"vertumna/core/cut"
	"vertumna/core/given"
	"vertumna/core/limb"
	"vertumna/store"
)

// HelperAsk is what an owner asks of a helper.
type HelperAsk struct {
	Days int    `json:"days" minimum:"1" maximum:"60" doc:"how long the link is open"`
	Note string `json:"note,omitempty" maxLength:"2000" doc:"what else they should know"`
}

// HelperPage is what a helper sees: one tree, one slip, no names and no other trees.
type HelperPage struct {
	Code     string      `json:"code"`
	KindName string      `json:"kind_name"`
	Day      almanac.Day `json:"day" doc:"the day the slip was made for"`
	Units    string      `json:"units" enum:"metric,us"`
	Note     string      `json:"note,omitempty"`
	Season   limb.Season `json:"season"`
	Asked    limb.Season `json:"asked_season,omitempty" doc:"of the slip, where it is not that of the day"`
	Revision int         `json:"revision" doc:"of the map it rests on; it moves as answers are taken in"`
	Key      string      `json:"key"`
	ReachCM  float64     `json:"reach_cm"`
	Limbs    []DrawnLimb `json:"limbs" nullable:"false"`
	Steps    []StepBody  `json:"steps" nullable:"false"`
	Gauge    GaugeBody   `json:"gauge"`
	Tools    []string    `json:"tools" nullable:"false"`
	Minutes  float64     `json:"minutes"`
	Safety   []string    `json:"safety" nullable:"false"`
}

// HelperPageBody is the page with what was answered on it so far.
type HelperPageBody struct {
	Page    HelperPage           `json:"page"`
	Expires string               `json:"expires" format:"date-time"`
	Answers []store.HelperAnswer `json:"answers" nullable:"false"`
}

// HelperLinkBody is a link as its owner sees it.
type HelperLinkBody struct {
	ID        string               `json:"id"`
	TreeID    string               `json:"tree_id"`
	Code      string               `json:"code"`
	Path      string               `json:"path,omitempty" doc:"of the page; told once, when the link is made"`
	Created   string               `json:"created"`
	Expires   string               `json:"expires" format:"date-time"`
	Withdrawn bool                 `json:"withdrawn"`
	Over      bool                 `json:"over"`
	Key       string               `json:"key"`
	Note      string               `json:"note,omitempty"`
	Steps     []HelperStepBody     `json:"steps" nullable:"false"`
	Answers   []store.HelperAnswer `json:"answers" nullable:"false"`
	Waiting   int                  `json:"waiting" doc:"answers that were not taken in yet"`
}

// HelperStepBody is a step of a link, with the last answer to it.
type HelperStepBody struct {
	N      int                 `json:"n"`
	Title  string              `json:"title"`
	Answer *store.HelperAnswer `json:"answer,omitempty"`
}

// AskHelper gives one tree and its slip to somebody by a link.
func (k *Keeper) AskHelper(ctx context.Context, a SlipAt, ask HelperAsk, now time.Time) (*HelperLinkBody, error) {
	s, err := k.Slip(ctx, a)
	if err != nil {
		return nil, err
	}
	if s.Predicted {
		return nil, given.Fault{Code: "predicted", Field: "season", Given: string(s.Season), Expected: "the season of the map: this slip is a forecast"}
	}
	if len(s.Steps) == 0 {
		return nil, given.Fault{Code: "no_steps", Field: "slip", Given: "no steps", Expected: "a slip with something to do"}
	}
	b, err := k.Bench(ctx, a.At, Ahead{})
	if err != nil {
		return nil, err
	}
	o, err := k.store.Orchard(ctx, a.Slug)
	if err != nil {
		return nil, err
	}
	page := HelperPage{
		Code: b.Tree.Code, KindName: b.Tree.KindName, Day: b.Day, Units: o.Units, Note: strings.TrimSpace(ask.Note), Season: b.Facts.MapSeason, Asked: a.Season, Revision: s.Revision, Key: s.Key,
		ReachCM: b.Tree.ReachCM, Limbs: b.Limbs, Steps: s.Steps, Gauge: s.Gauge, Tools: s.Tools, Minutes: s.Minutes, Safety: s.Safety,
	}
	for i := range page.Steps {
		page.Steps[i].Who = ""
	}
	l := &store.HelperLink{OrchardID: o.ID, TreeID: a.Tree, Expires: now.AddDate(0, 0, ask.Days)}
	if l.Body, err = json.Marshal(page); err != nil {
		return nil, err
	}
	token, err := k.store.AddHelperLink(ctx, l)
	if err != nil {
		return nil, err
	}
	out := linkBody(l, &page, now)
	out.Path = "/h/" + token
	return out, nil
}

func linkBody(l *store.HelperLink, p *HelperPage, now time.Time) *HelperLinkBody {
	out := &HelperLinkBody{
		ID: l.ID, TreeID: l.TreeID, Code: p.Code, Created: l.Created, Expires: l.Expires.Format(time.RFC3339), Withdrawn: l.Withdrawn, Over: l.Over(now) != nil, Key: p.Key, Note: p.Note,
		Steps: []HelperStepBody{}, Answers: l.Answers,
	}
	if out.Answers == nil {
		out.Answers = []store.HelperAnswer{}
	}
	last := lastAnswers(out.Answers)
	for _, s := range p.Steps {
		out.Steps = append(out.Steps, HelperStepBody{s.N, s.Title, last[s.N]})
	}
	for _, x := range last {
		if x.Entry == "" {
			out.Waiting++
		}
	}
	return out
}

// lastAnswers is what counts of each step: the last one given. What is written of the whole stands under 0.
func lastAnswers(all []store.HelperAnswer) map[int]*store.HelperAnswer {
	out := map[int]*store.HelperAnswer{}
	for i := range all {
		out[all[i].Step] = &all[i]
	}
	return out
}

// HelperPage is the page of a link. Errors: store.ErrNotFound; given.Fault of code withdrawn or expired.
func (k *Keeper) HelperPage(ctx context.Context, token string, now time.Time) (*HelperPageBody, error) {
	l, p, err := k.open(ctx, token, now)
	if err != nil {
		return nil, err
	}
	return &HelperPageBody{*p, l.Expires.Format(time.RFC3339), l.Answers}, nil
}

func (k *Keeper) open(ctx context.Context, token string, now time.Time) (*store.HelperLink, *HelperPage, error) {
	l, err := k.store.HelperLinkBy(ctx, token)
	if err != nil {
		return nil, nil, err
	}
	if err := l.Over(now); err != nil {
		return nil, nil, err
	}
	p := &HelperPage{}
	return l, p, json.Unmarshal(l.Body, p)
}

// AnswerHelper keeps what a helper answers: it changes nothing until the owner takes it in.
func (k *Keeper) AnswerHelper(ctx context.Context, token string, a store.HelperAnswer, now time.Time) (*HelperPageBody, error) {
	l, p, err := k.open(ctx, token, now)
	if err != nil {
		return nil, err
	}
	at := slices.IndexFunc(p.Steps, func(s StepBody) bool { return s.N == a.Step })
	switch {
	case a.Step == 0 && a.Choice != "note":
		return nil, given.Fault{Code: "no_step", Field: "choice", Given: a.Choice, Expected: "a note, where no step is named"}
	case a.Step == 0:
	case at < 0:
		return nil, given.Fault{Code: "no_step", Field: "step", Given: fmt.Sprint(a.Step), Expected: "a step of this page"}
	case a.DMM > 0 && p.Steps[at].DMM > 0 && !cut.Plausible(a.DMM, p.Steps[at].DMM):
		return nil, given.Fault{Code: "bad_diameter", Field: "d_mm", Given: fmt.Sprintf("%g mm", a.DMM), Expected: fmt.Sprintf("about %.0f mm, in millimetres", p.Steps[at].DMM)}
	}
	if err := k.store.AddHelperAnswer(ctx, l.ID, a); err != nil {
		return nil, err
	}
	return k.HelperPage(ctx, token, now)
}

// HelperLinks are the links of an orchard, or of one tree, with what was answered.
func (k *Keeper) HelperLinks(ctx context.Context, slug, tree string, now time.Time) ([]HelperLinkBody, error) {
	o, err := k.store.Orchard(ctx, slug)
	if err != nil {
		return nil, err
	}
	if tree != "" {
		if _, err := k.store.Tree(ctx, o.ID, tree); err != nil {
			return nil, err
		}
	}
	all, err := k.store.HelperLinks(ctx, o.ID, tree)
	if err != nil {
		return nil, err
	}
	out := []HelperLinkBody{}
	for i := range all {
		var p HelperPage
		if err := json.Unmarshal(all[i].Body, &p); err != nil {
			return nil, err
		}
		out = append(out, *linkBody(&all[i], &p, now))
	}
	return out, nil
}

// TakeIn takes a helper's answers into the journal: the cuts they made are logged and the map follows, what they left is left on the slip.
// Steps: which, all that were answered where none is named. Errors: *store.Conflict where the tree was changed meanwhile.
func (k *Keeper) TakeIn(ctx context.Context, a At, id string, steps []int, now time.Time) (*HelperLinkBody, error) {
	o, err := k.store.Orchard(ctx, a.Slug)
	if err != nil {
		return nil, err
	}
	if _, err := k.store.Tree(ctx, o.ID, a.Tree); err != nil {
		return nil, err
	}
	l, err := k.store.HelperLink(ctx, a.Tree, id)
	if err != nil {
		return nil, err
	}
	var p HelperPage
	if err := json.Unmarshal(l.Body, &p); err != nil {
		return nil, err
	}
	at := SlipAt{At: At{Slug: a.Slug, Tree: a.Tree, Day: p.Day}, Season: p.Asked}
	t := taking{}
	last := lastAnswers(l.Answers)
	for i := range p.Steps {
		s, x := &p.Steps[i], last[p.Steps[i].N]
		if x == nil || x.Entry != "" || len(steps) > 0 && !slices.Contains(steps, s.N) {
			continue
		}
		t.add(s, x)
	}
	if x := last[0]; x != nil && x.Entry == "" && (len(steps) == 0 || slices.Contains(steps, 0)) {
		t.note(x, x.Note)
	}
	if len(t.ids) == 0 {
		return nil, given.Fault{Code: "nothing_to_take", Field: "steps", Given: "none that waits", Expected: "an answer that was not taken in yet"}
	}
	entry, err := k.takeIn(ctx, at, &p, &t)
	if err != nil {
		return nil, err
	}
	if l.Body, err = json.Marshal(p); err != nil {
		return nil, err
	}
	if err := k.store.TakeAnswers(ctx, l, t.ids, entry); err != nil {
		return nil, err
	}
	if l, err = k.store.HelperLink(ctx, a.Tree, id); err != nil {
		return nil, err
	}
	return linkBody(l, &p, now), nil
}

// taking is what is taken in at once.
type taking struct {
	ids   []string // of the answers
	cuts  []MadeCut
	left  []Decision
	notes []string
}

func (t *taking) add(s *StepBody, x *store.HelperAnswer) {
	t.ids = append(t.ids, x.ID)
	switch x.Choice {
	case "taken":
		t.cuts = append(t.cuts, MadeCut{s.Cut, x.DMM})
	case "left", "could-not":
		d := Decision{ID: "help-" + x.ID, Choice: "left", Findings: s.Findings, Who: byHelper}
		if x.Choice == "could-not" {
			d.Seen = "not-found"
		}
		t.left = append(t.left, d)
	}
	if x.Note != "" {
		t.notes = append(t.notes, s.Title+": "+x.Note)
	}
}

func (t *taking) note(x *store.HelperAnswer, text string) {
	t.ids = append(t.ids, x.ID)
	t.notes = append(t.notes, text)
}

const byHelper = "a helper"

// takeIn writes it down, under ids made from those of the answers, so that what was cut short is done once when it is done again. The
// entry's id is given; the page moves to the map that it left.
func (k *Keeper) takeIn(ctx context.Context, at SlipAt, p *HelperPage, t *taking) (string, error) {
	note := strings.Join(t.notes, "\n")
	entry := "help-" + t.ids[0]
	for _, d := range t.left { // before the cuts: they are decided on the slip that was given out
		if err := k.Decide(ctx, at, d); err != nil {
			return "", err
		}
		entry = d.ID
	}
	if len(t.cuts) > 0 {
		done := SlipDone{ID: "cuts-" + t.ids[0], BasedOn: p.Revision, Cuts: t.cuts, Note: note, Who: byHelper}
		out, err := k.LogSlip(ctx, at, done)
		if err != nil {
			return "", err
		}
		p.Revision = out.Entry.Map
		return out.Entry.ID, nil
	}
	if note == "" {
		return entry, nil
	}
	out, err := k.Log(ctx, at.Slug, store.Entry{ID: "note-" + t.ids[0], TreeID: at.Tree, Date: min(p.Day, k.today()), Kind: "note", Note: note, Who: byHelper})
	if err != nil {
		return "", err
	}
	return out.Entry.ID, nil
}

// WithdrawHelper closes a link.
func (k *Keeper) WithdrawHelper(ctx context.Context, slug, tree, id string) error {
	o, err := k.store.Orchard(ctx, slug)
	if err != nil {
		return err
	}
	if _, err := k.store.Tree(ctx, o.ID, tree); err != nil {
		return err
	}
	return k.store.WithdrawHelperLink(ctx, tree, id)
}
