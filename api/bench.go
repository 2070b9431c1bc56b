package api

import (
	"context"
	"errors"
	"math"
	"strings"

	"vertumna/core/almanac"
	"vertumna/core/find"
	"vertumna/core/growth"
	"vertumna/core/limb"
	"vertumna/core/pomology"
	"vertumna/core/year"
	"vertumna/store"
	"vertumna/words"
)

// standing is a tree with all that its bench is made from.
type standing struct {
	contents *store.Contents
	tree     *store.Tree
	core     year.Tree
	yard     []year.Tree
	school   pomology.Resolved
	options  find.Options
	speaker  words.Speaker
	day      almanac.Day
	south    bool
}

// stand gathers what a tree's bench is made from on a day; NoDay is today.
func (s *server) stand(ctx context.Context, slug, treeID string, day almanac.Day) (*standing, error) {
	c, err := s.Store.Contents(ctx, slug)
	if err != nil {
		return nil, err
	}
	if !day.Known() {
		day = s.Today()
	}
	b := &standing{contents: c, day: day, speaker: words.Speaker{Units: words.Units(c.Orchard.Units)}}
	for i := range c.Trees {
		if c.Trees[i].ID == treeID {
			b.tree = &c.Trees[i]
		}
	}
	if b.tree == nil {
		return nil, store.ErrNotFound
	}
	if err := b.orchard(); err != nil {
		return nil, err
	}
	return b, nil
}

func (b *standing) orchard() error {
	c := b.contents
	wet := false
	var fingertip, ceiling float64
	if c.Orchard.Site == nil {
		for i := range c.Trees {
			t, err := c.Trees[i].Core()
			if err != nil {
				return err
			}
			b.yard = append(b.yard, t)
		}
		if len(c.People) > 0 {
			fingertip, ceiling = c.People[0].FingertipCM, c.People[0].CeilingCM
		}
	} else {
		y, err := c.Yard(b.day)
		if err != nil {
			return err
		}
		b.yard, b.south, wet = y.Trees, c.Orchard.Site.South(), y.Place.Climate.WetWinter()
		fingertip, ceiling = y.FingertipCM, y.CeilingCM
	}
	for i := range b.yard {
		if b.yard[i].ID == b.tree.ID {
			b.core = b.yard[i]
		}
	}
	var err error
	b.school, err = pomology.School{Preset: c.Orchard.School.Preset, Own: c.Orchard.School.Own}.Resolve(wet, b.core.Own)
	if err != nil {
		return err
	}
	b.options = c.FindOptions(&b.core, b.school, fingertip, ceiling)
	if b.core.Aim == year.Build {
		yes := true
		b.options.Building = &yes
	}
	return nil
}

func (b *standing) age() int {
	season := year.SeasonOf(b.day, b.south)
	if !b.core.Planted.Known() {
		return 0
	}
	return max(1, b.core.AgeIn(season, b.south))
}

// bench shows a tree as of a day.
func (s *server) bench(ctx context.Context, b *standing) (*BenchBody, error) {
	out := s.benchTree(b)
	var err error
	if out.History, err = s.Store.MapHistory(ctx, b.tree.ID); err != nil {
		return nil, err
	}
	kept, err := s.Store.MapAsOf(ctx, b.tree.ID, b.day)
	if errors.Is(err, store.ErrNotFound) {
		return out, nil
	}
	if err != nil {
		return nil, err
	}
	m, err := limb.Check(kept.Doc)
	if err != nil {
		return nil, err
	}
	out.Mapped, out.Revision, out.Map = true, &kept.Revision, &kept.Doc
	if out.CanUndo, err = s.Store.CanUndoMap(ctx, b.tree.ID, kept); err != nil {
		return nil, err
	}
	b.draw(out, m)
	out.Past, err = s.past(ctx, b.tree.ID, out.History, m)
	return out, err
}

// safety are the cautions of every bench.
var safety = []string{
	"Look at the tree from the ground first; three points of contact on any ladder, and never alone.",
	"Near power lines, above 10 cm of thickness, or over a roof: a licensed arborist.",
	"Local rules and licensed practice come first.",
}

func (s *server) benchTree(b *standing) *BenchBody {
	t := &b.core
	form, _ := pomology.FormBySlug(t.Form)
	out := &BenchBody{
		Tree: BenchTree{
			ID: t.ID, Code: t.Code, Name: t.Name, Kind: t.Kind.Slug, KindName: t.Kind.Name, Form: string(t.Form), FormName: form.Name, Age: b.age(),
			ReachCM: math.Round(b.options.ReachCM), Habit: t.Kind.Growth.Bearing.Habit().Wood,
		},
		Day: b.day, Limbs: []DrawnLimb{}, Findings: []FindingBody{}, Past: []PastBody{}, History: []store.Revision{}, Warnings: []FieldError{},
		Safety: safety, EndTests: b.endTests(),
		Facts: BenchFacts{Passes: []Passes{}, LeaderChain: []string{}, MapSeason: limb.Dormant},
	}
	out.Suggest = b.suggest(form)
	size, _, _ := t.Kind.SizeFor(t.Class)
	age := out.Tree.Age
	if age == 0 {
		age = t.Kind.Care.YearsToFullCrop
	}
	o := pomology.WantedOutline(form, size, math.Min(form.HeightM, b.options.ReachCM/100), t.Kind.Care.YearsToFullCrop, age)
	out.Outline = Outline{age, math.Round(100*o.HeightM) / 100, math.Round(100*o.WidthM) / 100}
	return out
}

// suggest starts a sketch from what is known of the tree, else from what its kind and form usually have at its age.
func (b *standing) suggest(form pomology.Form) growth.SketchInput {
	t := &b.core
	in := growth.SketchInput{Species: t.Kind.Slug, Form: t.Form, Age: max(1, b.age()), Scaffolds: 4, Seed: seedOf(t.ID)}
	if in.Form == "" {
		in.Form = t.Kind.Forms[0]
	}
	in.Year, in.Season = year.MapSeason(b.day, b.south)
	if b.age() == 0 {
		in.Age = t.Kind.Care.YearsToFullCrop
	}
	size, _, _ := t.Kind.SizeFor(t.Class)
	usual := pomology.WantedOutline(form, size, form.HeightM, t.Kind.Care.YearsToFullCrop, in.Age)
	spread, _ := t.Crown()
	in.HeightCM = math.Round(100 * firstOf(t.HeightM, usual.HeightM))
	in.SpreadCM = math.Round(100 * math.Max(0.3, math.Min(spread, firstOf(t.SpreadM, usual.WidthM))))
	in.TrunkMM = math.Round(firstOf(t.TrunkMM, math.Max(t.Kind.Growth.TipMM+5, trunkPerYearMM*float64(in.Age))))
	switch in.Form {
	case pomology.CentralLeader, pomology.WireTiers:
		in.Scaffolds = 6
	case pomology.ModifiedLeader, pomology.Shrub, pomology.FlatFan, pomology.LowBush:
		in.Scaffolds = 5
	case pomology.StepOver:
		in.Scaffolds = 2
	}
	return in
}

// trunkPerYearMM is how much a trunk usually thickens in a year; our estimate.
const trunkPerYearMM = 9

func firstOf(known, usual float64) float64 {
	if known > 0 {
		return known
	}
	return usual
}

// seedOf gives each tree its own sketch.
func seedOf(id string) uint64 {
	seed := uint64(14695981039346656037)
	for _, c := range []byte(id) {
		seed = (seed ^ uint64(c)) * 1099511628211
	}
	return seed % (1 << 31)
}

func (b *standing) endTests() []EndTestBody {
	out := []EndTestBody{}
	for _, t := range find.EndTests() {
		e := EndTestBody{Slug: t.Slug, Name: t.Name, How: t.How, Words: t.Words}
		for i := range b.contents.Entries {
			entry := &b.contents.Entries[i]
			if v := entry.EndTests[t.Slug]; v != "" && entry.TreeID == b.tree.ID && entry.Date <= b.day && (e.On == nil || entry.Date >= *e.On) {
				day := entry.Date
				e.Last, e.On = v, &day
			}
		}
		out = append(out, e)
	}
	return out
}

// draw fills the bench from a map.
func (b *standing) draw(out *BenchBody, m *limb.Map) {
	reading := find.Reading{Yard: b.contents.Around(&b.core, b.yard, b.day), Options: b.options}
	out.Facts.LeaderChain = append(out.Facts.LeaderChain, find.LeaderChain(m)...)
	for i := range m.Axes {
		out.Limbs = append(out.Limbs, b.limb(m, i, out.Facts.LeaderChain))
	}
	for _, f := range find.Letters(m, find.Findings(m, reading)) {
		out.Findings = append(out.Findings, b.finding(m, f))
	}
	b.facts(&out.Facts, m)
	for _, w := range m.Warnings() {
		out.Warnings = append(out.Warnings, FieldError{w.Limb + "." + w.Field, w.Message, "a carrier at least as thick", w.Code})
	}
}

func (b *standing) facts(f *BenchFacts, m *limb.Map) {
	area, spread := m.Footprint()
	o := find.Middle(m, nil)
	f.HeightCM, f.SpreadCM, f.GroundM2, f.LeafM2 = round1(m.Height()), round1(spread), math.Round(area/100)/100, round1(m.LeafM2())
	f.Limbs, f.CylinderCM, f.SphereCM, f.Complete, f.MapSeason = m.Len(), round1(o.CylinderCM), round1(o.SphereCM), m.Completeness(), m.Season
	f.Passes = []Passes{
		{"hat", find.HatCM, o.CylinderCM >= find.HatCM}, {"hand", find.HandCM, o.SphereCM >= find.HandCM}, {"ball", find.BallCM, o.SphereCM >= find.BallCM},
	}
	for i := range m.Axes {
		for _, p := range m.Pieces(i, nil, nil) {
			if p.MidZ <= b.options.ReachCM {
				f.BudsWithin += p.Buds
			} else {
				f.BudsAbove += p.Buds
			}
		}
		switch sourceOf(m, i) {
		case limb.Measured:
			f.CountBySrc.Measured++
		case limb.Estimated:
			f.CountBySrc.Estimated++
		default:
			f.CountBySrc.Predicted++
		}
	}
	f.BudsWithin, f.BudsAbove = math.Round(f.BudsWithin), math.Round(f.BudsAbove)
}

func round1(x float64) float64 { return math.Round(x*10) / 10 }

// drawnFields are the numbers that make a limb's drawing.
var drawnFields = []string{"attach_cm", "azimuth_deg", "angle_base_deg", "angle_tip_deg", "length_cm", "diameter_mm", "rings_cm"}

// sourceOf is how a limb as a whole is known: measured once its thickness, length and angle are.
func sourceOf(m *limb.Map, i int) limb.Source {
	out := limb.Measured
	for _, f := range []string{"angle_base_deg", "length_cm", "diameter_mm"} {
		switch m.Source(i, f) {
		case limb.Predicted:
			return limb.Predicted
		case limb.Estimated:
			out = limb.Estimated
		}
	}
	return out
}

func stations(m *limb.Map, i int) []float64 {
	shape := m.Shape(i)
	out := make([]float64, 0, 5*len(shape))
	for _, s := range shape {
		out = append(out, round1(s.At.X), round1(s.At.Y), round1(s.At.Z), math.Round(100*s.Radius)/100, float64(s.Age))
	}
	return out
}

func (b *standing) limb(m *limb.Map, i int, chain []string) DrawnLimb {
	a := &m.Axes[i]
	d := DrawnLimb{
		ID: a.ID, Depth: a.Depth, Stations: stations(m, i), Rings: rings(m, i), Attach: round1(a.Attach), Azimuth: round1(a.Azimuth),
		AngleBase: round1(a.A0), AngleTip: round1(a.A1), Length: round1(a.L), Diameter: round1(a.D), Top: round1(m.Top(i)), Share: math.Round(1e4*m.Share(i, 0)) / 1e4,
		Source: sourceOf(m, i), Guessed: []string{}, Tip: a.Tip, Sprout: a.Sprout, Sucker: a.Sucker, Tags: append([]string{}, a.Tags...),
		Marks: append([]limb.Mark{}, a.Marks...), State: m.State(i), Note: m.Note(i), Wounds: append([]limb.Wound{}, a.Wounds...),
		Spurs: append([]limb.SpurCount{}, a.Spurs...), Gaps: append([]limb.Stretch{}, a.Gaps...),
		Leads: len(chain) > 0 && chain[len(chain)-1] == a.ID,
	}
	if a.Parent >= 0 {
		d.Parent = m.Axes[a.Parent].ID
	}
	for _, f := range drawnFields {
		if m.Source(i, f) != limb.Measured {
			d.Guessed = append(d.Guessed, f)
		}
	}
	for _, p := range m.Pieces(i, nil, nil) {
		if p.MidZ <= b.options.ReachCM {
			d.Buds += p.Buds
		}
	}
	d.Buds = round1(d.Buds)
	if m.WhollyDead(i) {
		d.DeadFrom = limb.Of(0)
	} else if at := m.DeadAt(i); at < a.L {
		d.DeadFrom = limb.Of(round1(at))
	}
	if d.State != nil {
		name, job := words.LimbState(*d.State)
		d.StateSays = name + ": " + job
	}
	return d
}

func rings(m *limb.Map, i int) []DrawnRing {
	out := []DrawnRing{}
	from := 0.0
	for k, r := range m.Axes[i].Rings {
		out = append(out, DrawnRing{From: round1(from), To: round1(from + r), Year: m.RingYear(i, k), Age: len(m.Axes[i].Rings) - k})
		from += r
	}
	return out
}

func (b *standing) finding(m *limb.Map, f find.Lettered) FindingBody {
	i := m.Index(f.Limb)
	at := math.Min(m.Axes[i].L, f.AtCM)
	show := at
	if at == 0 && f.Code != "sucker" { // the letter stands on the offending stretch, not in the fork
		show = math.Min(m.Axes[i].L, math.Max(8, 0.3*m.Axes[i].L))
	}
	if c, ok := f.Fact("at_contact_cm"); ok {
		show = math.Min(m.Axes[i].L, c.Value)
	}
	p := m.At(i, show)
	w := b.speaker.Finding(f.Finding)
	out := FindingBody{
		Letter: f.Letter, Code: string(f.Code), Name: w.Name, Limb: f.Limb, Members: append([]string{}, f.Members...), Also: append([]string{}, f.Also...),
		AtCM: round1(f.AtCM), Place: [3]float64{round1(p.X), round1(p.Y), round1(p.Z)}, Step: f.Step, Severity: f.Severity,
		Where: b.speaker.Where(f.Finding, m.At(i, at).Z), Says: w.Says, Why: w.Why, Source: f.Source,
	}
	for _, field := range []string{"angle_base_deg", "length_cm", "diameter_mm"} {
		out.Estimate = out.Estimate || m.Source(i, field) != limb.Measured
	}
	if len(f.Also) > 0 {
		out.Says += "; and what hangs on it: " + strings.Join(f.Also, ", ")
	}
	return out
}

// pastYears is how many years back the bench shows.
const pastYears = 2

// past shows the tree in the growth years before the map shown: as it was mapped then, else as its rings tell.
func (s *server) past(ctx context.Context, treeID string, history []store.Revision, now *limb.Map) ([]PastBody, error) {
	out := []PastBody{}
	if now.Year == 0 {
		return out, nil
	}
	before := now
	for y := now.Year - 1; y >= now.Year-pastYears; y-- {
		kept, err := s.mapOfYear(ctx, treeID, history, y)
		if err != nil {
			return nil, err
		}
		p := PastBody{Year: y, FromRings: kept == nil, Lines: [][]float64{}}
		if kept != nil {
			p.Revision, p.Date, before = kept.Revision.Revision, &kept.Date, kept.read
		} else {
			doc, err := before.YearBack()
			if err != nil {
				return out, nil // nothing stood a year before: the past ends here
			}
			if before, err = limb.Check(doc); err != nil {
				return nil, err
			}
		}
		p.HeightCM, p.Limbs = round1(before.Height()), before.Len()
		for i := range before.Axes {
			p.Lines = append(p.Lines, stations(before, i))
		}
		out = append(out, p)
	}
	return out, nil
}

// pastMap is a map kept of a year before.
type pastMap struct {
	*store.LimbMap
	read *limb.Map
}

// mapOfYear is the last map kept of a growth year, nil where none is, or none that still passes.
func (s *server) mapOfYear(ctx context.Context, treeID string, history []store.Revision, growthYear int) (*pastMap, error) {
	for _, r := range history {
		if y := r.Date.Year(); y < growthYear-1 || y > growthYear {
			continue
		}
		kept, err := s.Store.MapRevision(ctx, treeID, r.Revision)
		if err != nil {
			return nil, err
		}
		if m, err := limb.Check(kept.Doc); err == nil && kept.Doc.Year == growthYear {
			return &pastMap{kept, m}, nil
		}
	}
	return nil, nil
}
