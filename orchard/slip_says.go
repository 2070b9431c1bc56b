package orchard

import (
	"maps"
	"math"
	"slices"

	"vertumna/core/almanac"
	"vertumna/core/find"
	"vertumna/core/limb"
	"vertumna/core/pomology"
	"vertumna/core/training"
	"vertumna/core/year"
)

// enough is the day by which a tree had passed all end tests, each made in the half of the year that the slip is of.
func (p *slipMade) enough() (almanac.Day, bool) {
	answers, on := map[string]string{}, almanac.NoDay
	for _, t := range p.endTests() {
		if t.On == nil || halfOn(*t.On, p.south) != p.of || p.predicted {
			return on, false
		}
		answers[t.Slug] = t.Last
		if !on.Known() || *t.On > on {
			on = *t.On
		}
	}
	return on, find.AllPassed(answers)
}

// slipChoices are the choices a slip stands on, in their order.
var slipChoices = []string{"yearly_limit", "limit_scope", "counts", "height_cut", "cut_end", "limb_ends", "bud_to", "side_shoots", "summer_pome", "side_branch", "middle", "slope", "cleaning"}

func (p *slipMade) schoolSays() []ChoiceBody {
	out := []ChoiceBody{}
	keys := slipChoices
	if p.core.Kind.Group == pomology.Stone {
		keys = append(slices.Clone(keys), "stone_cut")
	}
	if p.aim() == year.Restore {
		keys = append(slices.Clone(keys), "restoration")
	}
	for _, k := range keys {
		if c, v, err := pomology.Find(k, p.school.Value(k)); err == nil {
			out = append(out, ChoiceBody{k, c.Name, v.Name})
		}
	}
	return out
}

// forming chooses a young tree's main limbs from the shoots on its map.
func (p *slipMade) forming() []string {
	in, ok := training.ScaffoldsOf(p.m, p.scaffoldLimits())
	if !ok {
		return []string{}
	}
	in.Heed(p.contents.Words[p.core.ID].Marks)
	c, err := training.ChooseScaffolds(in)
	if err != nil {
		return []string{}
	}
	return p.speaker.Scaffolds(c)
}

// renewing tells the bearing limbs of each scaffold that are due.
func (p *slipMade) renewing() []string {
	out := []string{}
	asked := training.RenewalsOf(p.m, math.Min(1, p.options.Used), p.limit(), !p.options.NoStub)
	for _, id := range slices.Sorted(maps.Keys(asked)) {
		if says := p.speaker.Renewal(id, asked[id], training.Rota(asked[id]), p.season == limb.Summer); says != "" {
			out = append(out, says)
		}
	}
	return out
}
