package orchard

import (
	"context"
	"maps"
	"math"

	"vertumna/core/almanac"
	"vertumna/core/cut"
	"vertumna/core/given"
	"vertumna/core/pomology"
	"vertumna/core/together"
	"vertumna/core/year"
	"vertumna/store"
	"vertumna/words"
)

// A Way is a school and a yearly limit that a tree could be kept by; an empty one is that in force.
type Way struct {
	Preset string
	Limit  string
}

// TwoWaysBody sets two ways of keeping one tree side by side, grown so many years.
type TwoWaysBody struct {
	HeightCM float64      `json:"height_cm" doc:"now"`
	Years    int          `json:"years"`
	Ways     []WayRunBody `json:"ways" nullable:"false"`
	Says     []string     `json:"says" nullable:"false" doc:"what the second does otherwise than the first"`
	Weak     string       `json:"weak" doc:"what the forecast cannot know"`
}

// WayRunBody is one way, year by year, with the tree it leaves.
type WayRunBody struct {
	Preset  string        `json:"preset"`
	School  string        `json:"school"`
	Limit   float64       `json:"limit" doc:"of the crown, a year"`
	ReachCM float64       `json:"reach_cm"`
	Years   []WayYearBody `json:"years" nullable:"false"`
	Lines   [][]float64   `json:"lines" nullable:"false" doc:"the tree at the end: stations of each limb, five numbers each"`
	Light   float64       `json:"light" doc:"mean of its limbs at the end, of full light"`
	Hours   float64       `json:"hours" doc:"of cutting, all years"`
	Kilos   float64       `json:"kilos" doc:"of fruit, all years"`
	Wounds  int           `json:"wounds" doc:"cuts of 25 mm and more, all years"`
	Widest  float64       `json:"widest_mm"`
	Cuts    int           `json:"cuts" doc:"all years"`
	Held    string        `json:"held,omitempty"`
}

// WayYearBody is a year of a way.
type WayYearBody struct {
	Year    int     `json:"year"`
	Height  float64 `json:"height_cm" doc:"at the next winter"`
	Account float64 `json:"account" doc:"of the crown"`
	Minutes float64 `json:"minutes"`
	Kilos   float64 `json:"kilos"`
	Wounds  int     `json:"wounds"`
}

// woundMM is a cut that closes slowly (year.md#tasks).
const woundMM = 25

// TwoWays grows one tree by two ways over some years. Errors: those of Years; a given.Fault for a school or a limit that is none.
func (k *Keeper) TwoWays(ctx context.Context, a At, ways [2]Way, years int) (*TwoWaysBody, error) {
	out := &TwoWaysBody{Years: years, Ways: make([]WayRunBody, len(ways)), Weak: forecastWeak, Says: []string{}}
	made := make([]*slipMade, len(ways))
	for i, w := range ways {
		p, err := k.slipBy(ctx, a, w, [2]string{"first", "second"}[i])
		if err != nil {
			return nil, err
		}
		made[i] = p
	}
	out.HeightCM = round1(made[0].m.Height())
	errs := make([]error, len(ways))
	together.Do(len(ways), func(i int) { out.Ways[i], errs[i] = made[i].run(years) })
	for _, err := range errs {
		if err != nil {
			return nil, err
		}
	}
	out.Says = append(out.Says, made[0].speaker.WaysDiffer(tellWay(&out.Ways[0]), tellWay(&out.Ways[1]))...)
	return out, nil
}

// slipBy is a tree's slip as another school and limit would have it. Nothing of it is kept.
func (k *Keeper) slipBy(ctx context.Context, a At, w Way, field string) (*slipMade, error) {
	b, err := k.atBy(ctx, a, func(c *store.Contents) (*store.Contents, error) { return keptBy(c, a.Tree, w, field) })
	if err != nil {
		return nil, err
	}
	kept, err := k.store.MapAsOf(ctx, a.Tree, b.day)
	if err != nil {
		return nil, err
	}
	return k.slipOn(ctx, b, kept, func(day almanac.Day) (*year.TreePlan, error) {
		if b.contents.Orchard.Site == nil {
			return nil, nil
		}
		p, err := k.imagined(ctx, b.contents, day)
		if err != nil {
			return nil, err
		}
		return p.treeShown(a.Tree), nil
	}, "")
}

// keptBy is an orchard's contents as they would be were it kept another way; what a tree departs in is set aside where a school is named.
func keptBy(c *store.Contents, tree string, w Way, field string) (*store.Contents, error) {
	out, o := *c, *c.Orchard
	out.Orchard = &o
	own := maps.Clone(o.School.Own)
	if own == nil {
		own = map[string]string{}
	}
	if w.Preset != "" && w.Preset != o.School.Preset {
		if _, err := (pomology.School{Preset: w.Preset}).Resolve(false, nil); err != nil {
			return nil, given.Fault{Code: "unknown_preset", Field: field, Given: w.Preset, Expected: "a school"}
		}
		o.School.Preset, own = w.Preset, map[string]string{}
	}
	if w.Limit != "" {
		if _, _, err := pomology.Find("yearly_limit", w.Limit); err != nil {
			return nil, given.Fault{Code: "unknown_limit", Field: field + "_limit", Given: w.Limit, Expected: "a value of the yearly limit"}
		}
		own["yearly_limit"] = w.Limit
	}
	o.School.Own = own
	out.Trees = append([]store.Tree{}, c.Trees...)
	for i := range out.Trees {
		if t := &out.Trees[i]; t.ID == tree && (w.Preset != "" || w.Limit != "") {
			t.Own = maps.Clone(t.Own)
			if w.Preset != "" {
				t.Own = nil
			}
			if w.Limit != "" {
				delete(t.Own, "yearly_limit")
			}
		}
	}
	return &out, nil
}

// tellWay is what the words compare of a way.
func tellWay(w *WayRunBody) words.WayEnd {
	out := words.WayEnd{School: w.School, Limit: w.Limit, Light: w.Light, Hours: w.Hours, Kilos: w.Kilos, Wounds: w.Wounds}
	if n := len(w.Years); n > 0 {
		out.HeightCM = w.Years[n-1].Height
	}
	return out
}

// run tells a way year by year.
func (p *slipMade) run(n int) (WayRunBody, error) {
	out := WayRunBody{Preset: p.school.Preset, ReachCM: math.Round(p.standing.options.ReachCM), Limit: round4(p.limit()), Years: []WayYearBody{}, Lines: [][]float64{}}
	for _, s := range pomology.Presets() {
		if s.Slug == p.school.Preset {
			out.School = s.Name
		}
	}
	made, err := p.plannedYears(max(2, n))
	if err != nil {
		return out, err
	}
	out.Held = p.speaker.Held(made, p.firstYear())
	for k, r := range made.Rows[:min(n, len(made.Rows))] {
		kilos, err := p.kilos(k, r)
		if err != nil {
			return out, err
		}
		y := WayYearBody{Year: p.firstYear() + k, Height: round1(r.HeightAfter), Account: round4(r.Account), Minutes: math.Round(r.Minutes), Kilos: math.Round(kilos)}
		for _, s := range []*cut.Slip{r.Dormant, r.Summer} {
			if s == nil {
				continue
			}
			for i := range s.Cuts {
				mm := s.Cuts[i].DMM
				out.Widest = max(out.Widest, math.Round(mm))
				if mm >= woundMM {
					y.Wounds++
				}
			}
			out.Cuts += len(s.Cuts)
		}
		out.Wounds, out.Kilos, out.Hours = out.Wounds+y.Wounds, out.Kilos+y.Kilos, out.Hours+y.Minutes/60
		out.Years = append(out.Years, y)
	}
	out.Hours = round1(out.Hours)
	end := made.End.Map
	lit := p.root().lightAhead(end)
	for i := range end.Axes {
		out.Lines = append(out.Lines, stations(end, i))
		out.Light += lit.At(i) / float64(len(end.Axes))
	}
	out.Light = round4(out.Light)
	return out, nil
}
