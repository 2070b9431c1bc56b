package orchard

import (
	"math"
	"slices"
	"strconv"

	"vertumna/core/almanac"
	"vertumna/core/cut"
	"vertumna/core/limb"
	"vertumna/core/year"
)

// HeightBody is how high the tree stands, in cm: now, after this year's height cut, and when all is done.
type HeightBody struct {
	Now  float64 `json:"now_cm"`
	This float64 `json:"this_cm"`
	Done float64 `json:"done_cm"`
	Says string  `json:"says"`
}

// TopBody is where a main limb ends.
type TopBody struct {
	Limb  string     `json:"limb"`
	Now   float64    `json:"now_cm"`
	This  float64    `json:"this_cm" doc:"0: it goes whole"`
	Done  float64    `json:"done_cm" doc:"0: it goes whole"`
	Heir  string     `json:"heir,omitempty" doc:"the limb that takes over this year"`
	Later string     `json:"later,omitempty" doc:"the limb that takes over when all is done"`
	End   [3]float64 `json:"end" nullable:"false" doc:"x, y, z in cm: the highest point that stays this year"`
	Says  string     `json:"says"`
}

// GroupBody is what is done in one go.
type GroupBody struct {
	Section string  `json:"section" enum:"sick,tops,frame,thin"`
	Title   string  `json:"title"`
	Limb    string  `json:"limb,omitempty"`
	Steps   []int   `json:"steps" nullable:"false" doc:"their n"`
	Minutes float64 `json:"minutes"`
	Share   float64 `json:"share"`
}

// sorted tells the steps in their groups, and where the tops end.
func (p *slipMade) sorted(out *SlipBody) {
	out.Groups, out.Tops = []GroupBody{}, []TopBody{}
	for k, g := range p.slip.Groups {
		b := GroupBody{Section: string(g.Section), Limb: g.Limb, Steps: []int{}, Minutes: round1(g.Minutes), Share: round4(g.Takes)}
		for _, n := range g.Steps {
			out.Steps[n].Mark = strconv.Itoa(k + 1)
			b.Steps = append(b.Steps, n+1)
		}
		b.Title = out.Steps[g.Steps[0]].Title
		if len(g.Steps) > 1 {
			b.Title = p.speaker.Group(g, p.slip)
		}
		out.Groups = append(out.Groups, b)
	}
	aim := p.aimed()
	out.Height = HeightBody{Now: round1(p.m.Height()), This: round1(aim.this), Done: round1(aim.done)}
	for _, t := range aim.tops {
		out.Tops = append(out.Tops, TopBody{
			Limb: t.Limb, Now: round1(t.Now), This: round1(t.This), Done: round1(t.Done), Heir: t.Heir, Later: t.Later,
			End: [3]float64{round1(t.End.X), round1(t.End.Y), round1(t.End.Z)}, Says: p.speaker.TakesOver(t),
		})
	}
	out.Height.Says = p.speaker.Heights(out.Height.Now, out.Height.This, out.Height.Done)
}

// aimed is where the tree and its tops end this year: by this slip, in winter by the summer's as it is foreseen too, and by what the
// training of a young tree cuts beside them.
type aimed struct {
	this, done float64
	tops       []cut.Top
}

func (p *slipMade) aimed() aimed {
	out := aimed{p.slip.This, p.slip.Done, p.slip.Tops}
	if p.season == limb.Summer && p.way() == nil {
		return out
	}
	on := p.of.year - p.firstYear() // foreseen: of a later year of the plan
	rows, err := p.nextYears()
	if err != nil || len(rows) <= on || rows[on].Summer == nil {
		return out
	}
	summer := rows[on].Summer
	out.this = rows[on].HeightCut
	if p.season == limb.Summer {
		out.done = math.Min(out.done, out.this)
		return out
	}
	out.done = math.Min(out.done, summer.Done)
	out.tops = slices.Clone(p.slip.Tops)
	for _, t := range summer.Tops {
		k := slices.IndexFunc(out.tops, func(w cut.Top) bool { return w.Limb == t.Limb })
		switch i := p.m.Index(t.Limb); {
		case k >= 0:
			t.Now = out.tops[k].Now
			out.tops[k] = t
		case i >= 0:
			t.Now = p.planner.Highest(i)
			out.tops = append(out.tops, t)
		}
	}
	return out
}

// window is when the slip is worked: that of its task of the year.
func (p *slipMade) window() (opens, closes almanac.Day) {
	if p.plan == nil {
		return almanac.NoDay, almanac.NoDay
	}
	kind := year.SlipTask(p.plan, p.season, p.day)
	for i := range p.plan.Tasks {
		if t := &p.plan.Tasks[i]; t.Kind == kind {
			return t.Window.Opens.Day, t.Window.Closes.Day
		}
	}
	return almanac.NoDay, almanac.NoDay
}
