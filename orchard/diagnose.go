package orchard

import (
	"context"
	"errors"
	"math"

	"vertumna/core/diagnose"
	"vertumna/core/given"
	"vertumna/core/limb"
	"vertumna/core/year"
	"vertumna/store"
	"vertumna/words"
)

// DiagnosisBody is the likely cause of what is wrong with a tree, with its evidence and what would tell it from the next.
type DiagnosisBody struct {
	TreeID     string          `json:"tree_id"`
	Code       string          `json:"code"`
	KindName   string          `json:"kind_name"`
	Name       string          `json:"name,omitempty"`
	Complaint  string          `json:"complaint" enum:"no-fruit,small-fruit,only-at-the-top,many-sprouts,dies-back,leans,drops-fruit,splits"`
	Complaints []ComplaintBody `json:"complaints" nullable:"false"`
	Says       string          `json:"says" doc:"how sure it is"`
	Sure       bool            `json:"sure"`
	Causes     []CauseBody     `json:"causes" nullable:"false" doc:"the likeliest first"`
	Ask        []QuestionBody  `json:"ask" nullable:"false" doc:"the one that tells most first"`
	Apart      string          `json:"apart,omitempty" doc:"what tells the first cause from the second"`
	Known      []string        `json:"known" nullable:"false" doc:"what was not asked because the record tells it"`
	LocalRules string          `json:"local_rules"`
}

// ComplaintBody is something a person may see.
type ComplaintBody struct {
	Slug string `json:"slug"`
	Name string `json:"name"`
}

// CauseBody is a cause with how likely it is.
type CauseBody struct {
	Slug     string           `json:"slug"`
	Name     string           `json:"name"`
	Share    float64          `json:"share"`
	Do       string           `json:"do"`
	When     string           `json:"when"`
	Evidence []CauseProofBody `json:"evidence" nullable:"false"`
}

// CauseProofBody is one thing for or against a cause.
type CauseProofBody struct {
	Says   string  `json:"says"`
	For    bool    `json:"for"`
	Weight float64 `json:"weight" doc:"log-odds"`
	Asked  bool    `json:"asked"`
}

// QuestionBody is something that only a look can tell.
type QuestionBody struct {
	Slug string `json:"slug"`
	Asks string `json:"asks"`
	How  string `json:"how,omitempty" doc:"how to look"`
}

// Diagnose looks for the cause of a complaint about a tree, from its record and a person's answers. Errors: store.ErrNotFound; those of
// diagnose.Of.
func (k *Keeper) Diagnose(ctx context.Context, a At, complaint string, answers map[string]diagnose.Answer) (*DiagnosisBody, error) {
	if !a.Day.Known() {
		a.Day = k.today()
	}
	p, err := k.Plan(ctx, a.Slug, a.Day)
	if err != nil {
		return nil, err
	}
	tp := p.treeShown(a.Tree)
	if tp == nil {
		return nil, errors.Join(store.ErrNotFound, given.Fault{Code: "no_tree", Field: "id", Given: a.Tree, Expected: "a tree that stands on the day shown"})
	}
	facts, err := k.factsOf(ctx, a, p, tp)
	if err != nil {
		return nil, err
	}
	d, err := diagnose.Of(diagnose.Complaint(complaint), facts, answers)
	if err != nil {
		return nil, err
	}
	out := &DiagnosisBody{
		TreeID: a.Tree, Code: tp.Tree.Code, KindName: tp.Tree.Kind.Name, Name: tp.Tree.Name, Complaint: complaint, Complaints: []ComplaintBody{},
		Says: words.HowSure(d), Sure: d.Sure, Causes: []CauseBody{}, Ask: []QuestionBody{}, Apart: words.TellsApart(d), Known: []string{}, LocalRules: words.LocalRules,
	}
	for _, c := range diagnose.Complaints() {
		out.Complaints = append(out.Complaints, ComplaintBody{string(c), words.ComplaintOf(c)})
	}
	said := map[string]bool{}
	for _, c := range d.Causes {
		b := CauseBody{Slug: c.Slug, Name: words.CauseOf(c.Slug), Share: math.Round(1000*c.Share) / 1000, Do: p.Speaker.CauseDo(c.Slug), When: p.Speaker.CauseWhen(c.Slug, tp), Evidence: []CauseProofBody{}}
		for _, e := range c.Evidence {
			says := p.Speaker.Proof(e)
			b.Evidence = append(b.Evidence, CauseProofBody{says, e.Weight > 0, math.Round(10*e.Weight) / 10, e.Asked})
			if !e.Asked && !said[says] {
				said[says] = true
				out.Known = append(out.Known, says)
			}
		}
		out.Causes = append(out.Causes, b)
	}
	for _, q := range d.Ask {
		out.Ask = append(out.Ask, QuestionBody{q.Slug, p.Speaker.QuestionOf(q.Slug), p.Speaker.HowToLook(q.Slug)})
	}
	return out, nil
}

// factsOf are what the record tells of a tree.
func (k *Keeper) factsOf(ctx context.Context, a At, p *Planned, tp *year.TreePlan) (diagnose.Facts, error) {
	r := diagnose.Record{Yard: p.Yard, Tree: tp, Season: p.Shown.Season, From: p.Shown.From, Day: a.Day, Seen: p.sickSeen(tp.Tree.ID, a.Day)}
	b, kept, err := k.mapped(ctx, a)
	if errors.Is(err, store.ErrNotFound) {
		return diagnose.FactsOf(r), nil
	}
	if err != nil {
		return nil, err
	}
	m, err := limb.Check(kept.Doc)
	if err != nil {
		return nil, err
	}
	b.light = k.lightOf(b, m, kept.Mark())
	r.Map = &diagnose.MapRecord{Map: m, Reading: b.reading()}
	return diagnose.FactsOf(r), nil
}
