package orchard

import (
	"fmt"
	"math"
	"slices"

	"vertumna/core/almanac"
	"vertumna/core/limb"
	"vertumna/core/num"
	"vertumna/core/pomology"
	"vertumna/core/training"
	"vertumna/core/year"
	"vertumna/store"
	"vertumna/words"
)

// planting says whether the tree is in the season it is planted for.
func (t *trained) planting() bool { return t.tp.Age <= 1 && t.tp.Way != nil }

// headingOf is where a young tree is headed at planting, by the buds of its stem.
func headingOf(y *training.Young, buds []training.PlantingBud) (training.Heading, error) {
	first := 0.0
	if len(y.WiresCM) > 0 {
		first = y.WiresCM[0]
	}
	return training.HeadingFor(y.Form, y.Branched, y.HeightCM, first, y.LowerCM, buds)
}

// plantingDay is the sheet of the day a tree is planted.
func (t *trained) plantingDay() (*PlantingBody, error) {
	y := t.tp.Young
	buds := t.stemBuds(t.m)
	h, err := headingOf(&y, buds)
	if err != nil {
		return nil, err
	}
	out := &PlantingBody{
		Action: h.Action, NominalCM: math.Round(h.NominalCM), LowCM: h.LowCM, HighCM: h.HighCM, HeightCM: math.Round(y.HeightCM), GraftCM: 10, Buds: []StemBudBody{},
		BudsBelow: h.BudsBelow, Says: t.speaker.Heading(h, y), Checks: words.PlantingChecks(t.plantingFacts()), Buy: words.BuyingList(t.plantingFacts()), Pick: words.NurseryTree(t.plantingFacts()),
	}
	if h.CutCM != nil {
		cm := round1(*h.CutCM)
		out.CutCM = &cm
	}
	if h.Bud != nil {
		out.Bud = *h.Bud
	}
	if says := t.bentOver(&h); says != "" {
		out.Says = append(out.Says, says)
	}
	for _, b := range buds {
		out.Buds = append(out.Buds, StemBudBody{b.ID, round1(b.HeightCM), math.Round(b.AzimuthDeg)})
	}
	for i := range t.tp.Tasks {
		if task := &t.tp.Tasks[i]; task.Kind == year.PlantingCut {
			out.From, out.To = dayOrNil(task.Window.Opens.Day), dayOrNil(task.Window.Closes.Day)
			out.Task, out.Done = task.ID, task.State == year.IsDone
		}
	}
	if t.tp.Young.Trailing && out.From != nil && t.day < *out.From {
		out.Waits = "Deep cold comes first here: heel it in or keep it cool and damp, and plant from " + t.speaker.Day(*out.From) + "."
	}
	return out, nil
}

// bentOver tells whether a whip at a low wire can be bent along it in place of the cut, by the thickness that was measured; "" elsewhere.
func (t *trained) bentOver(h *training.Heading) string {
	y := &t.tp.Young
	if y.Form != pomology.StepOver || y.Branched || h.Action != "cut" || t.core.TrunkMM == 0 || len(y.WiresCM) == 0 {
		return ""
	}
	k, err := training.BendOver(training.StepOver{Species: t.core.Kind.Slug, WireCM: y.WiresCM[0], DiameterMM: t.core.TrunkMM, HeightCM: y.HeightCM})
	if err != nil { // thicker or taller than the model has it
		return ""
	}
	return t.speaker.BentOver(k)
}

func (t *trained) plantingFacts() words.PlantingFacts {
	f, err := pomology.FormBySlug(t.tp.Young.Form)
	return words.PlantingFacts{
		Kind: t.core.Kind, Form: t.tp.Young.Form, Flat: err == nil && f.Flat, Class: t.core.Class, Branched: t.tp.Young.Branched, Tub: t.core.TubLitres > 0,
		Stake: pomology.StakeForLife(t.core.Class, t.core.Form) || t.core.TubLitres == 0, WiresCM: t.tp.Young.WiresCM, Speaker: t.speaker,
	}
}

// stemBuds are the buds of a young tree's stem as a map shows it, nil: none.
func (b *standing) stemBuds(m *limb.Map) []training.PlantingBud {
	if m == nil || len(m.Stems()) != 1 {
		return nil
	}
	stem := m.Stems()[0]
	var out []training.PlantingBud
	for k := range m.Axes[stem].Rings {
		for _, n := range m.Nodes(stem, k, nil) {
			if n.N == 0 || !n.Kind.HasLeaf() {
				continue
			}
			at := m.At(stem, n.At)
			az := math.Mod(float64(len(out))*b.core.Kind.Growth.DivergenceDeg, 360) // as the kind's buds turn round a stem
			if n.Known {
				az = math.Mod(num.Deg(math.Atan2(n.Facing.X, n.Facing.Y))+360, 360)
			}
			out = append(out, training.PlantingBud{ID: fmt.Sprintf("%d", len(out)+1), HeightCM: num.Clamp(at.Z, 0, 2000), AzimuthDeg: az, Sound: true})
		}
	}
	if top := 100 * b.core.HeightM; top > 0 {
		out = slices.DeleteFunc(out, func(b training.PlantingBud) bool { return b.HeightCM > top })
	}
	return out
}

// notch is which buds of a whip are woken; nil where none are.
func (t *trained) notch(seen []training.BudWord) *NotchBody {
	due := false
	for i := range t.tp.Tasks {
		due = due || t.tp.Tasks[i].Kind == year.Notching
	}
	if !due || t.m == nil || len(t.m.Stems()) != 1 {
		return nil
	}
	_, weeks, _ := t.clock()
	end := t.m.End(t.m.Stems()[0]).Z
	in := training.Notching{CutCM: num.Clamp(end, 30, 400), LowCM: 45, HighCM: 90, Wanted: 4, WeeksToBudBreak: num.Clamp(-weeks, -30, 52)}
	states := map[string]string{}
	for _, b := range seen {
		states[b.Bud] = b.State
	}
	alone := 0 // low buds that grow by themselves
	for _, b := range t.stemBuds(t.m) {
		if b.HeightCM > 400 {
			continue
		}
		state := states[b.ID]
		if state == "broken" && b.HeightCM >= in.LowCM && b.HeightCM <= in.HighCM {
			alone++
		}
		in.Buds = append(in.Buds, training.NotchBud{ID: b.ID, HeightCM: b.HeightCM, AzimuthDeg: b.AzimuthDeg, Sound: state == "" || state == "opening"})
	}
	if len(in.Buds) == 0 {
		return nil
	}
	enough := alone >= in.Wanted
	in.Wanted = max(1, in.Wanted-alone)
	got, err := training.ChooseNotches(in)
	if err != nil {
		return nil
	}
	if enough {
		got.Notch, got.Short = nil, 0
	}
	out := &NotchBody{State: got.State, Marks: []NotchMark{}, Eligible: got.Eligible, Short: got.Short, Says: append(words.BudsAlone(alone, enough), t.speaker.Notching(got, t.core.Kind.Group == pomology.Stone)...)}
	for _, n := range got.Notch {
		out.Marks = append(out.Marks, NotchMark{n.ID, math.Round(n.AtCM)})
	}
	for _, b := range in.Buds {
		out.Buds = append(out.Buds, StemBudBody{b.ID, round1(b.HeightCM), math.Round(b.AzimuthDeg)})
	}
	return out
}

// wall is a flat tree on its wires.
func (t *trained) wall() (*WallBody, error) {
	y := t.tp.Young
	wires := y.WiresCM
	goal := y.GoalCM
	yearly := y.YearlyCM
	if len(wires) == 0 { // a grown tree keeps what it was told, or the usual
		u := year.FlatUsual(&t.core, 100*t.tp.ReachM)
		wires, goal, yearly = u.WiresCM, u.GoalCM, u.YearlyCM
	}
	grows, _, _ := t.clock()
	f, err := training.FlatOf(t.m, wires, goal, yearly, grows, t.contents.Words[t.core.ID].Marks...)
	if err != nil {
		return nil, err
	}
	run := 2 * goal
	lay, err := training.LayWires(training.WireLayout{RunCM: num.Clamp(run, 50, 10000), TopLimitCM: num.Clamp(wires[len(wires)-1]+15, 40, 400), FirstCM: 40, StepCM: 30, ClearanceCM: 15, HeightsCM: wires, Support: support(t.tree), WireOffCM: 12, TrunkOffCM: 25})
	if err != nil {
		return nil, err
	}
	out := &WallBody{
		AlongDeg: math.Round(f.AlongDeg), Support: support(t.tree), SideA: words.Side(f.AlongDeg), SideB: words.Side(math.Mod(f.AlongDeg+180, 360)), WiresCM: wires, GoalCM: math.Round(goal), LeaderCM: math.Round(f.LeaderCM), NextWireCM: f.NextWire, LeaderDue: f.Due, LeaderCutCM: f.Arms.LeaderCutCM,
		Arms: []ArmBody{}, Windows: []OpeningBody{}, Shoots: []WallShootBody{}, Steps: []WallStep{}, Off: []OffBody{}, Shorten: []string{}, Years: []WallYear{}, Hardware: t.speaker.Hardware(lay, support(t.tree)), YearFull: f.Plan.YearFull, LeanDeg: round1(lay.TrunkLeanDeg), Says: []string{},
	}
	for _, a := range f.Laid {
		out.Arms = append(out.Arms, ArmBody{a.Limb, a.WireCM, a.Side, a.State, math.Round(a.LengthCM), math.Round(a.LayCM), a.Ties, a.SeasonsToFinish, a.Balance, a.Lies, a.TooClose})
	}
	for _, s := range f.Shoots {
		b := WallShootBody{Limb: s.ID, Side: out.SideA, HeightCM: math.Round(s.HeightCM), AngleDeg: math.Round(s.AngleDeg), LengthCM: math.Round(s.LengthCM), State: "spare"}
		if num.Apart(s.AzimuthDeg, f.AlongDeg) > 90 {
			b.Side = out.SideB
		}
		switch {
		case slices.Contains(f.Arms.OffPlane, s.ID):
			b.State = "out-of-plane"
		case slices.ContainsFunc(f.Laid, func(a training.FlatArm) bool { return a.Limb == s.ID }):
			b.State = "arm"
		}
		out.Shoots = append(out.Shoots, b)
	}
	slices.SortStableFunc(out.Shoots, func(a, b WallShootBody) int { return int(a.HeightCM - b.HeightCM) })
	for _, o := range f.Off {
		out.Off = append(out.Off, OffBody{o.Limb, math.Round(o.Deg), o.Act})
	}
	for _, s := range f.Shorten {
		out.Shorten = append(out.Shorten, s.Limb)
	}
	for _, frame := range f.Plan.Frames(t.tp.Age, wires, goal, yearly) {
		b := WallYear{Life: frame.Life, Season: t.planned.Shown.Season - t.tp.Age + frame.Life, Now: frame.Life == t.tp.Age, LeaderCM: math.Round(frame.LeaderCM), Arms: []WallYearArm{}, Says: words.WallYear(frame, f.Plan.YearFull)}
		for i, cm := range frame.ArmCM {
			if i < len(wires) {
				b.Arms = append(b.Arms, WallYearArm{wires[i], math.Round(cm), frame.Lies[i]})
			}
		}
		out.Years = append(out.Years, b)
	}
	out.Steps = wallSteps(t.speaker.WallSteps(f))
	out.Says = append(out.Says, t.speaker.Wall(f, goal)...)
	if len(t.core.WiresCM) == 0 {
		if own := training.WiresOf(t.m); len(own) > 0 {
			out.Says = append(out.Says, t.speaker.OwnWires(own))
		}
	}
	if along, ok := plotOf(t.contents).RunOf(&t.core, t.yard); ok {
		out.Says = append(out.Says, t.speaker.WallRun(along, goal/100))
		for _, o := range plotOf(t.contents).Openings(along, goal, f.AlongDeg) {
			out.Windows = append(out.Windows, OpeningBody{math.Round(o.FromCM), math.Round(o.ToCM), math.Round(o.SillCM), math.Round(o.TopCM)})
			out.Says = append(out.Says, t.speaker.Sill(o.SillCM, wires, out.SideA, out.SideB, o.FromCM, o.ToCM))
		}
	}
	return out, nil
}

func wallSteps(in []words.WallLine) []WallStep {
	out := []WallStep{}
	for i, l := range in {
		out = append(out, WallStep{i + 1, l.Title, l.Says, l.Kind, l.Limb})
	}
	return out
}

// support is what a flat tree's wires hang on.
func support(t *store.Tree) string {
	if t.Ground == "wall" {
		return "wall"
	}
	return "posts"
}

// graft is the wood a tree gives for grafting; nil where its owner wants none.
func (t *trained) graft() *GraftBody {
	if !t.core.Wishes.GraftWood && t.core.Wishes.Graft == "" {
		return nil
	}
	swell := t.tp.Anchors.Day(almanac.BudSwell.String())
	fall := t.tp.Anchors.Day(year.LeafFallBefore)
	if !swell.Known() {
		return nil
	}
	light := t.lightOf(t.m)
	shoots := training.GraftShoots(t.m, light, nil)
	if len(shoots) == 0 {
		return nil
	}
	got, err := training.CutGraftWood(training.GraftWood{WeeksToSwell: num.Clamp(float64(swell-t.day)/7, -30, 52), Leafless: !fall.Known() || t.day >= fall, PieceCM: 22, Shoots: shoots, Stone: t.core.Kind.Group == pomology.Stone})
	if err != nil {
		return nil
	}
	out := &GraftBody{State: got.State, Pieces: got.Pieces, WeeksLeft: round1(got.WeeksLeft), Shoots: []GraftShootBody{}, Says: t.speaker.GraftWood(got)}
	for _, f := range got.Fit {
		out.Shoots = append(out.Shoots, GraftShootBody{f.ID, f.Pieces})
	}
	slices.SortStableFunc(out.Shoots, func(a, b GraftShootBody) int { return b.Pieces - a.Pieces })
	return out
}

// trials read out what was tried on the tree.
func (t *trained) trials() []TrialBody {
	out := []TrialBody{}
	for i := range t.contents.Entries {
		e := &t.contents.Entries[i]
		if e.TreeID != t.core.ID || e.Trial == nil || e.Date > t.day {
			continue
		}
		b := TrialBody{Date: e.Date, Task: e.Task, Arms: e.Trial.Arms, LeftOut: e.Trial.LeftOut, Says: []string{}}
		counted := slices.ContainsFunc(e.Trial.Arms, func(a training.TrialArm) bool {
			return slices.ContainsFunc(a.Zones, func(z training.TrialZone) bool { return z.Broke > 0 })
		})
		if counted {
			if rs, err := training.ReadArms(*e.Trial); err == nil {
				b.Says = words.Trial(rs)
			}
		}
		out = append(out, b)
	}
	return out
}

// grafts are those made on the tree and from its wood, the last first.
func (t *trained) grafts() []GraftedBody {
	out := []GraftedBody{}
	codes := map[string]string{}
	for i := range t.contents.Trees {
		codes[t.contents.Trees[i].ID] = t.contents.Trees[i].Code
	}
	for i := range t.contents.Entries {
		e := &t.contents.Entries[i]
		if e.Grafted == nil || e.Date > t.day || e.TreeID != t.core.ID && e.Grafted.Mother != t.core.ID {
			continue
		}
		kind := e.Grafted.Kind
		if k, err := pomology.BySlug(kind); err == nil {
			kind = k.Name
		}
		out = append(out, GraftedBody{e.Date, words.Grafted(*e.Grafted, kind, codes[e.Grafted.Mother], codes[e.TreeID], e.Task == string(year.GraftLook))})
	}
	slices.Reverse(out)
	return out
}
