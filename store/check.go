package store

import (
	"errors"
	"fmt"
	"slices"
	"strings"
	"unicode"

	"vertumna/core/almanac"
	"vertumna/core/given"
	"vertumna/core/limb"
	"vertumna/core/pomology"
	"vertumna/core/year"
)

// Check tells what of an orchard's document cannot be: its place, the choices of its school, the wants of its household. Forms and
// archives are checked alike.
func (o *Orchard) Check() (fs given.Faults) {
	oneLine(&fs, "name", o.Name, true)
	if o.Site != nil {
		add(&fs, "site.", o.Site.Check())
		oneLine(&fs, "site.name", o.Site.Name, false)
	}
	_, err := pomology.School{Preset: o.School.Preset, Own: o.School.Own}.Resolve(false, nil)
	add(&fs, "", err)
	for i, a := range o.School.Advice {
		at := fmt.Sprintf("school.advice[%d].", i)
		if !slices.ContainsFunc(pomology.Choices(), func(c pomology.Choice) bool { return c.Key == a.Choice }) {
			fs.Add("unknown_choice", at+"choice", fmt.Sprintf("%q", a.Choice), "the key of a choice")
		}
		if _, err := almanac.ParseDay(a.Date); a.Date != "" && err != nil {
			fs.Add("bad_date", at+"date", a.Date, "a day as YYYY-MM-DD")
		}
	}
	for i, n := range o.Needs {
		_, err := pomology.BySlug(n.Kind)
		add(&fs, fmt.Sprintf("needs[%d].", i), err)
	}
	for i, f := range o.Plot.Features {
		at := fmt.Sprintf("plot.features[%d].", i)
		oneLine(&fs, at+"name", f.Name, false)
		if len(f.Points) == 0 {
			fs.Add("no_points", at+"points", "none", "at least one point")
		}
		for j, w := range f.Windows {
			if w.TopM > 0 && w.TopM <= w.SillM {
				fs.Add("bad_window", fmt.Sprintf("%swindows[%d].top_m", at, j), fmt.Sprintf("%g m", w.TopM), fmt.Sprintf("above its sill at %g m", w.SillM))
			}
		}
	}
	return fs
}

// mostPlotM: a wider plot is most often a slip of the decimal point (our estimate).
const mostPlotM = 200

// Odd tells what of an orchard's document is possible but unlikely.
func (o *Orchard) Odd() (fs given.Faults) {
	if o.Site != nil {
		fs = append(fs, year.CheckPlace(o.Site)...)
	}
	wide := 0.0
	for _, p := range o.Plot.Outline {
		for _, q := range o.Plot.Outline {
			wide = max(wide, q.X-p.X, q.Y-p.Y)
		}
	}
	if wide > mostPlotM {
		fs.Add("plot_wide", "plot.outline", fmt.Sprintf("%.0f m from side to side", wide), fmt.Sprintf("%d m at most: light is worked out round the trees, on some 80 m", mostPlotM))
	}
	return fs
}

// Check tells what of a tree's document cannot be, whatever stands round it.
func (t *Tree) Check() (fs given.Faults) {
	oneLine(&fs, "code", t.Code, false)
	oneLine(&fs, "name", t.Name, false)
	oneLine(&fs, "cultivar", t.Cultivar, false)
	_, err := pomology.BySlug(t.Kind)
	add(&fs, "", err)
	_, err = pomology.School{}.Resolve(false, t.Own)
	add(&fs, "", err)
	if t.Gone != nil && t.Planted != nil && *t.Gone < *t.Planted {
		fs.Add("gone_before_planted", "gone", t.Gone.String(), "a day not before its planting on "+t.Planted.String())
	}
	return fs
}

// Check tells what of a person's document cannot be.
func (p *Person) Check() (fs given.Faults) {
	oneLine(&fs, "name", p.Name, true)
	for i, t := range p.Tools {
		oneLine(&fs, fmt.Sprintf("tools[%d].name", i), t.Name, false)
	}
	for i, a := range p.Away {
		if a.To < a.From {
			fs.Add("bad_range", fmt.Sprintf("away[%d].to", i), a.To.String(), "a day not before "+a.From.String())
		}
	}
	return fs
}

// Check tells what of an own task cannot be.
func (t *OwnTask) Check() (fs given.Faults) {
	oneLine(&fs, "title", t.Title, true)
	_, err := almanac.ParseStage(t.Stage)
	switch {
	case t.Date == nil && (t.Stage == "" || t.TreeID == ""):
		fs.Add("no_date", "date", "none", "a date, or a tree and a stage it follows")
	case t.Stage != "":
		add(&fs, "", err)
	}
	return fs
}

// Check tells what of an entry's document cannot be; year.CheckEntry tells the rest, beside its tree and day.
func (e *Entry) Check() (fs given.Faults) {
	for i, c := range e.Made {
		if !slices.Contains(limb.CutKinds, c.Kind) {
			fs.Add("unknown_cut", fmt.Sprintf("made[%d].kind", i), fmt.Sprintf("%q", c.Kind), "a kind of cut")
		}
	}
	e.kindHas(&fs)
	return fs
}

// add notes an error's fault below a path.
func add(fs *given.Faults, at string, err error) {
	var one given.Fault
	var many given.Faults
	switch {
	case err == nil:
	case errors.As(err, &one):
		one.Field = at + one.Field
		*fs = append(*fs, one)
	case errors.As(err, &many):
		for _, x := range many {
			add(fs, at, x)
		}
	default:
		fs.Add("unsound", strings.TrimSuffix(at, "."), err.Error(), "a sound value")
	}
}

// oneLine refuses a name that holds line breaks or control characters, or nothing to read.
func oneLine(fs *given.Faults, field, text string, must bool) {
	switch {
	case strings.ContainsFunc(text, unicode.IsControl):
		fs.Add("not_one_line", field, fmt.Sprintf("%q", text), "one line of text")
	case must && strings.TrimSpace(text) == "":
		fs.Add("empty", field, fmt.Sprintf("%q", text), "a name")
	}
}
