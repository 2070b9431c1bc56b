// Package diagnose looks for the likely cause of what is wrong with a tree. What the record already answers is not asked; what it does not
// is asked as yes or no. Each cause gathers evidence for and against itself as log-odds (naive Bayes: good enough to order causes, and every
// term can be read). Weights are our own estimates. It is pure.
package diagnose

import (
	"cmp"
	"math"
	"slices"

	"vertumna/core/given"
)

// Complaint is what a person sees.
type Complaint string

// The complaints.
const (
	NoFruit    Complaint = "no-fruit"
	SmallFruit Complaint = "small-fruit"
	OnlyTop    Complaint = "only-at-the-top"
	Sprouts    Complaint = "many-sprouts"
	DiesBack   Complaint = "dies-back"
	Leans      Complaint = "leans"
	DropsFruit Complaint = "drops-fruit"
	Splits     Complaint = "splits"
)

// Complaints lists them in the order they are offered.
func Complaints() []Complaint {
	return []Complaint{NoFruit, SmallFruit, OnlyTop, Sprouts, DiesBack, Leans, DropsFruit, Splits}
}

// Fact is one thing that the record tells of a tree; a fact that is not there is not known.
type Fact string

// The facts. Shares are 0..1.
const (
	YearsToBear   Fact = "years-to-bear"     // growing seasons until it may bear; 0 or less: it may
	FrostAlive    Fact = "frost-alive"       // share of buds alive after this season's frosts
	Partner       Fact = "partner"           // days its bloom overlaps with a partner's; 0 none
	PartnerWant   Fact = "partner-want"      // days it wants; 0: it needs none
	ChillMargin   Fact = "chill-margin"      // portions gathered over the need; less than 0: short
	RestYear      Fact = "rest-year"         // load of last year against a medium one
	HardCut       Fact = "hard-cut"          // largest share taken in one cut of the last two seasons
	WinterShare   Fact = "winter-share"      // share taken in the last dormant season
	BearsOnTips   Fact = "bears-on-tips"     // 1: bears on ends or last year's wood only
	ShootRatio    Fact = "shoot-ratio"       // last shoots against the usual of the kind
	LightLow      Fact = "light-low"         // mean light of the limbs within reach
	FruitAbove    Fact = "fruit-above"       // share of the fruit buds over reach
	OverReach     Fact = "over-reach"        // metres over reach
	HangingTo     Fact = "hanging-over-keep" // fruit that hangs against what it should keep
	Thinned       Fact = "thinned"           // 1: thinned this season, 0: not
	Bloomed       Fact = "bloomed"           // 1: seen in bloom this season
	DropTime      Fact = "drop-time"         // 1: between petal fall and the end of natural drop
	RainMonth     Fact = "rain-month"        // mm of the last thirty days
	RainWeek      Fact = "rain-week"         // mm of the last seven days
	Ripening      Fact = "ripening"          // 1: within four weeks of harvest or in it
	Sick          Fact = "sick"              // sick places on its map or seen this year
	Dead          Fact = "dead"              // dead places on its map
	Headed        Fact = "headed"            // places headed twice that shot up again
	Knots         Fact = "knots"             // knots of shoots on its map
	NarrowForks   Fact = "narrow-forks"      // narrow or equal forks on its map
	Laden         Fact = "laden"             // worst limb's load against its limit
	Staked        Fact = "staked"            // 1: it has a stake
	NeedsStake    Fact = "needs-stake"       // 1: young, or on a stock that leans on one for life
	Gusts         Fact = "gusts"             // days of strong wind in the last two months
	ColdKill      Fact = "cold-kill"         // C that the coldest night fell under what its wood bears; 0 or less: it did not
	TubTight      Fact = "tub-tight"         // crown against what its tub feeds
	YoungTree     Fact = "young"             // 1: in its first three years
	LeftWork      Fact = "left-work"         // cuts logged as left or missed in the last two seasons
	StoneFruit    Fact = "stone"             // 1: a stone fruit
	WetWinterSite Fact = "wet-winter"        // 1: winters are wet here
	HostNear      Fact = "host-near"         // sicknesses that kill wood and come to it from outside the plot
	Resists       Fact = "resists"           // sicknesses that kill wood and that it resists
)

// Facts are what the record tells.
type Facts map[Fact]float64

// Answer to a question.
type Answer string

// The answers.
const (
	Yes Answer = "yes"
	No  Answer = "no"
)

// Evidence is one term for or against a cause.
type Evidence struct {
	Rule      string // slug of its sentence
	Weight    float64
	Number    float64
	Threshold float64
	Asked     bool // a person answered it
	Answer    Answer
}

// Cause is a cause with how likely it is among those of its complaint.
type Cause struct {
	Slug     string
	Share    float64 // of the likelihood
	Evidence []Evidence
}

// Question is something that only a look can tell, and how far it parts the two likeliest causes.
type Question struct {
	Slug  string
	Parts float64
}

// Diagnosis is the answer.
type Diagnosis struct {
	Complaint Complaint
	Causes    []Cause    // the likeliest first
	Ask       []Question // the one that tells most first
	Apart     string     // the question that best tells the first cause from the second; empty: none does
	Sure      bool       // the first stands well clear of the second
}

// Of looks for the causes of a complaint. Errors: given.Fault for a complaint or a question that is not known. Cost: causes times terms.
func Of(c Complaint, facts Facts, answers map[string]Answer) (Diagnosis, error) {
	all, ok := causes[c]
	if !ok {
		return Diagnosis{}, given.Fault{Code: "unknown_complaint", Field: "complaint", Given: string(c), Expected: list(Complaints())}
	}
	known := map[string]bool{}
	for _, k := range causes {
		for i := range k {
			for _, t := range k[i].asks {
				known[t.question] = true
			}
		}
	}
	for q, a := range answers {
		if !known[q] {
			return Diagnosis{}, given.Fault{Code: "unknown_question", Field: "answers", Given: q, Expected: "a question of this look"}
		}
		if a != Yes && a != No {
			return Diagnosis{}, given.Fault{Code: "unknown_answer", Field: "answers", Given: string(a), Expected: "yes or no"}
		}
	}
	out := Diagnosis{Complaint: c}
	odds := map[string]float64{}
	for i := range all {
		k := &all[i]
		cause := Cause{Slug: k.slug}
		sum := k.prior
		for _, t := range k.facts {
			x, told := facts[t.fact]
			if !told {
				continue
			}
			w := t.miss
			if t.holds(x) {
				w = t.hit
			}
			if w == 0 {
				continue
			}
			sum += w
			rule := t.rule
			if !t.holds(x) {
				rule += "-not"
			}
			cause.Evidence = append(cause.Evidence, Evidence{Rule: rule, Weight: w, Number: x, Threshold: t.limit})
		}
		for _, t := range k.asks {
			a, told := answers[t.question]
			if !told {
				continue
			}
			w := t.no
			if a == Yes {
				w = t.yes
			}
			sum += w
			cause.Evidence = append(cause.Evidence, Evidence{Rule: t.question, Weight: w, Asked: true, Answer: a})
		}
		slices.SortStableFunc(cause.Evidence, func(a, b Evidence) int { return cmp.Compare(math.Abs(b.Weight), math.Abs(a.Weight)) })
		odds[k.slug] = sum
		out.Causes = append(out.Causes, cause)
	}
	total := 0.0
	for _, o := range odds {
		total += math.Exp(o)
	}
	for i := range out.Causes {
		out.Causes[i].Share = math.Exp(odds[out.Causes[i].Slug]) / total
	}
	slices.SortStableFunc(out.Causes, func(a, b Cause) int { return cmp.Compare(b.Share, a.Share) })
	out.Sure = len(out.Causes) < 2 || out.Causes[0].Share > clear*out.Causes[1].Share
	out.questions(all, facts, answers)
	return out, nil
}

// clear of the next cause: so many times as likely.
const clear = 2.5

// questions orders what is still to ask by how far it would part the two likeliest causes; after them by how far it moves any.
func (d *Diagnosis) questions(all []cause, facts Facts, answers map[string]Answer) {
	spread := func(slug, q string) float64 {
		for i := range all {
			if all[i].slug != slug {
				continue
			}
			for _, t := range all[i].asks {
				if t.question == q {
					return t.yes - t.no
				}
			}
		}
		return 0
	}
	var order []string
	for i := range all {
		for _, t := range all[i].asks {
			_, said := answers[t.question]
			_, told := facts[tells[t.question]]
			if !said && !told && !slices.Contains(order, t.question) {
				order = append(order, t.question)
			}
		}
	}
	for _, q := range order {
		parts := 0.0
		if len(d.Causes) > 1 {
			parts = math.Abs(spread(d.Causes[0].Slug, q) - spread(d.Causes[1].Slug, q))
		}
		for i, c := range d.Causes {
			parts += math.Abs(spread(c.Slug, q)) * c.Share / float64(i+2)
		}
		d.Ask = append(d.Ask, Question{q, parts})
	}
	slices.SortStableFunc(d.Ask, func(a, b Question) int { return cmp.Compare(b.Parts, a.Parts) })
	if len(d.Ask) > 0 && len(d.Causes) > 1 && spread(d.Causes[0].Slug, d.Ask[0].Slug) != spread(d.Causes[1].Slug, d.Ask[0].Slug) {
		d.Apart = d.Ask[0].Slug
	}
}

func list(cs []Complaint) string {
	out := ""
	for i, c := range cs {
		if i > 0 {
			out += ", "
		}
		out += string(c)
	}
	return out
}
