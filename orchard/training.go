package orchard

import (
	"context"
	"errors"
	"fmt"
	"math"
	"slices"

	"vertumna/core/almanac"
	"vertumna/core/find"
	"vertumna/core/given"
	"vertumna/core/limb"
	"vertumna/core/num"
	"vertumna/core/training"
	"vertumna/core/year"
	"vertumna/store"
	"vertumna/words"
)

// trained is a tree with all that its training is told from.
type trained struct {
	*standing
	planned *Planned
	tp      *year.TreePlan
	m       *limb.Map // nil without a map
	mark    store.MapMark
}

func (k *Keeper) trained(ctx context.Context, a At) (*trained, error) {
	b, err := k.at(ctx, a)
	if err != nil {
		return nil, err
	}
	planned, err := k.Plan(ctx, a.Slug, b.day)
	if err != nil {
		return nil, err
	}
	t := &trained{standing: b, planned: planned, tp: planned.treeShown(a.Tree)}
	if t.tp == nil {
		return nil, store.ErrNotFound
	}
	kept, err := k.store.MapAsOf(ctx, a.Tree, b.day)
	switch {
	case errors.Is(err, store.ErrNotFound):
	case err != nil:
		return nil, err
	default:
		if t.m, err = limb.Check(kept.Doc); err != nil {
			return nil, err
		}
		t.mark = kept.Mark()
	}
	return t, nil
}

// inGrowth, weeks from bud break and the weeks of growth of the tree on the day.
func (t *trained) clock() (inGrowth bool, weeks, growing float64) {
	bud, slow := t.tp.Anchors.Day(almanac.BudBreak.String()), t.tp.Anchors.Day(almanac.ShootSlowing.String())
	if !bud.Known() || !slow.Known() {
		return false, 0, 24
	}
	return t.day >= bud && t.day < slow, float64(t.day-bud) / 7, num.Clamp(float64(slow-bud)/7, 8, 45)
}

// schoolAngle is the school of limb angles in force, as the model names it.
func (t *trained) schoolAngle() string {
	switch t.tp.School.Value("limb_angle") {
	case "30-35":
		return "steep"
	case "65", "near-level":
		return "flat"
	}
	return "species"
}

func (t *trained) bending(ask BendAsked) training.Bending {
	grows, weeks, growing := t.clock()
	in := training.Bending{
		Limb: ask.Limb, ContactCM: ask.ContactCM, AimDeg: ask.AimDeg, Device: ask.Device, AirC: ask.AirC, School: t.schoolAngle(), InGrowth: grows, Weeks: weeks, Growing: growing,
		Stay: t.tp.School.Value("bend_time"),
	}
	if ask.PegCM > 0 {
		in.PegCM = &ask.PegCM
	}
	if t.core.TubLitres > 0 { // no peg holds in a tub
		none := 0.0
		in.RoomCM = &none
	}
	bud, slow := t.tp.Anchors.Day(almanac.BudBreak.String()), t.tp.Anchors.Day(almanac.ShootSlowing.String())
	if bud.Known() && slow.Known() {
		in.Season = training.SeasonShare(int(bud), int(slow), int(t.day), int(t.day)+182)
	}
	return in
}

// Training is a tree's way from planting to its frame, with what is due on the day: the choice of its limbs, what is bent and with
// what, the buds to wake, its wires, its devices, wood for grafting.
func (k *Keeper) Training(ctx context.Context, a At) (*TrainingBody, error) {
	t, err := k.trained(ctx, a)
	if err != nil {
		return nil, err
	}
	said := t.contents.Words[a.Tree]
	out := &TrainingBody{
		Form: string(t.tp.Young.Form), FormName: words.FormName(t.core.Form), Age: t.tp.Age, Says: []string{}, Steps: []FormStepBody{}, Outlines: []OutlineBody{},
		Words: store.TrainingWords{Marks: orEmpty(said.Marks), Buds: orEmpty(said.BudsIn(t.planned.Shown.Season)), Season: t.planned.Shown.Season},
		Bends: []BendBody{}, Even: []string{}, Rigs: []RigBody{}, Safety: t.speaker.TrainingSafety(), Trials: []TrialBody{}, ReachCM: math.Round(100 * t.tp.ReachM),
	}
	if w := t.tp.Way; w != nil {
		t.way(out, w)
	}
	for _, o := range t.tp.Rigs {
		out.Rigs = append(out.Rigs, t.rig(o))
	}
	slices.SortStableFunc(out.Rigs, func(x, y RigBody) int { return x.DaysLeft - y.DaysLeft })
	out.Trials, out.Grafts = t.trials(), t.grafts()
	if t.planting() {
		if out.Planting, err = t.plantingDay(); err != nil {
			return nil, err
		}
	}
	if t.m == nil {
		return out, nil
	}
	flat := t.m.Flat()
	if flat {
		out.Wall, err = t.wall()
	} else {
		out.Choice, err = t.choice()
		if err == nil {
			err = t.bends(out)
		}
	}
	if err != nil {
		return nil, err
	}
	out.Notch = t.notch(out.Words.Buds)
	out.Graft = t.graft()
	return out, nil
}

// way tells the steps of formation with their days.
func (t *trained) way(out *TrainingBody, w *training.Way) {
	out.Stands, out.Says = w.Stands, append(out.Says, t.speaker.Formation(w)...)
	out.CapCM = math.Round(w.CapCM)
	for _, s := range w.Steps {
		b := FormStepBody{Year: s.Year, Season: t.planned.Shown.Season - t.tp.Age + s.Year, When: words.StepWhen(s), Title: t.speaker.FormTitle(s), Says: t.speaker.FormStep(s), State: s.State, Second: t.speaker.SecondBest(s), What: string(s.What), CM: math.Round(s.CM), HighCM: math.Round(s.HighCM), Tier: s.Tier}
		for i := range t.tp.Tasks {
			task := &t.tp.Tasks[i]
			if task.Step != nil && *task.Step == s {
				b.Task, b.From, b.To = task.ID, dayOrNil(task.Window.Opens.Day), dayOrNil(task.Window.Closes.Day)
			}
		}
		out.Steps = append(out.Steps, b)
	}
	for _, age := range []int{2, 4, 8} {
		o := OutlineBody{Age: age, Points: pairs(training.Outline(t.tp.Young, age))}
		out.Outlines = append(out.Outlines, o)
	}
}

// How near a wall or a path has a say in the choice of limbs, cm (ours).
const (
	wallNearCM = 120
	pathNearCM = 200
)

// scaffoldLimits of the choice of scaffolds: the school's, the wall and the path near by.
func (b *standing) scaffoldLimits() training.Scaffolds {
	out := training.Scaffolds{}
	if low := b.options.LowCM; low >= 10 {
		out.FirstLowCM = &low
	}
	if side := b.options.SideRatio; side > 0 {
		out.SideLimit = &side
	}
	around := plotOf(b.contents).Around(&b.core, b.yard, b.day)
	for i := range around.Walls {
		if deg, cm, ok := find.Bearing(around.Walls[i].Polygon); ok && cm < wallNearCM && !around.Walls[i].Open {
			out.WallDeg = &deg
		}
	}
	for i := range around.Paths {
		if deg, cm, ok := find.Bearing(around.Paths[i].Polygon); ok && cm < pathNearCM {
			out.PathDeg = &deg
		}
	}
	return out
}

// shoots are those a young tree's main limbs are chosen from, as its owner sees them; false where no choice is to be made.
func (t *trained) shoots() (training.Scaffolds, bool) {
	in, ok := training.ScaffoldsOf(t.m, t.scaffoldLimits())
	return in, ok && t.tp.Age >= 2 && (t.tp.Way == nil || t.tp.Age <= t.tp.Way.Stands)
}

// choice is the best set of main limbs beside the next, with what a person doubts, keeps or would bend first.
func (t *trained) choice() (*MainLimbsBody, error) {
	in, ok := t.shoots()
	if !ok {
		return nil, nil //nolint:nilnil // no choice is to be made
	}
	marks := t.contents.Words[t.core.ID].Marks
	in.Heed(marks)
	got, err := training.ChooseScaffolds(in)
	if err != nil {
		return nil, err
	}
	out := &MainLimbsBody{Verdict: got.Verdict, Chosen: got.Chosen, Says: t.speaker.Scaffolds(got), Candidates: []CandidateBody{}, Missing: got.Missing, WidestGapDeg: got.WidestGapDeg, FillDeg: got.FillAzimuthDeg, Score: got.Score}
	if got.RunnerUp != nil {
		out.RunnerUp = got.RunnerUp.Chosen
		for _, l := range got.RunnerUp.Loses {
			out.Loses = append(out.Loses, LossBody{words.ScaffoldTerm(l.Term), round1(l.Points)})
		}
	}
	for _, c := range in.Candidates {
		b := CandidateBody{Limb: c.ID, AzimuthDeg: math.Round(c.AzimuthDeg), HeightCM: math.Round(c.HeightCM), AngleDeg: math.Round(c.AngleDeg), DMM: round1(c.DiameterMM), Keep: c.Keep, State: "spare"}
		switch {
		case slices.Contains(got.Chosen, c.ID):
			b.State = "chosen"
		case slices.Contains(out.RunnerUp, c.ID):
			b.State = "runner-up"
		}
		for _, r := range got.Rejected {
			if r.ID == c.ID {
				b.State, b.Why = "refused", words.ScaffoldFault(r.Reason)
			}
		}
		b.Bent = slices.ContainsFunc(marks, func(w training.ShootWord) bool { return w.Limb == c.ID && w.AngleDeg > 0 })
		out.Candidates = append(out.Candidates, b)
	}
	slices.SortStableFunc(out.Candidates, func(a, b CandidateBody) int { return int(a.HeightCM - b.HeightCM) })
	return out, nil
}

// Say keeps what a person says of a young tree's shoots and buds, and tells its training by it. Errors: given.Faults where a word is on
// no shoot of the trunk, or nothing is to be chosen.
func (k *Keeper) Say(ctx context.Context, a At, w store.TrainingWords) (*TrainingBody, error) {
	t, err := k.trained(ctx, a)
	if err != nil {
		return nil, err
	}
	if t.m == nil {
		return nil, store.ErrNotFound
	}
	if len(w.Marks) > 0 && t.m.Flat() {
		if err := training.KnownArms(t.m, w.Marks); err != nil {
			return nil, err
		}
	} else if len(w.Marks) > 0 {
		in, ok := t.shoots()
		if !ok {
			return nil, given.Fault{Code: "no_choice", Field: "marks", Given: words.FormName(t.core.Form), Expected: "a young tree of a free form with two shoots or more on its trunk"}
		}
		if err := in.Known(w.Marks); err != nil {
			return nil, err
		}
	}
	w.Season = t.planned.Shown.Season
	if err := k.store.SetWords(ctx, t.contents.Orchard.ID, a.Tree, w); err != nil {
		return nil, err
	}
	return k.Training(ctx, a)
}

// bends are the limbs that want another angle, in the order they are bent.
func (t *trained) bends(out *TrainingBody) error {
	if t.tp.Age > bendToAge && t.tp.Aim.Aim != year.Build && t.tp.Way == nil {
		return nil
	}
	list := training.ToBend(t.m)
	for _, s := range training.EvenFirst(t.m, list).Shorten {
		out.Even = append(out.Even, fmt.Sprintf("%s is %.1f times as thick as its fellows: cut it back to %s first.", s.ID, s.Ratio, t.speaker.Tape(s.ToCM)))
	}
	for _, i := range list {
		b, err := t.bend(i, BendAsked{})
		if err != nil {
			return err
		}
		out.Bends = append(out.Bends, b)
	}
	var good []string
	bent := false
	for _, b := range out.Bends {
		if b.Verdict == "leave" && b.NowDeg >= b.LowDeg && b.NowDeg <= b.HighDeg {
			good = append(good, b.Limb)
		}
		bent = bent || b.Verdict != "leave"
	}
	if bent && len(good) > 0 {
		out.Says = append(out.Says, words.LikeThat(good))
	}
	return nil
}

// bendToAge: older wood is left as it is where nobody asks.
const bendToAge = 9

func (t *trained) bend(i int, ask BendAsked) (BendBody, error) {
	p, err := training.BendLimb(t.m, i, t.bending(ask))
	if err != nil {
		return BendBody{}, err
	}
	b := BendBody{
		Limb: p.Limb, AzimuthDeg: math.Round(p.Azimuth), LengthCM: math.Round(p.LengthCM), DMM: round1(p.DMM), ForkCM: round1(p.AttachCM), ContactCM: round1(p.ContactCM),
		NowDeg: round1(p.NowDeg), AimDeg: p.Aim.AimDeg, LowDeg: p.Aim.LowDeg, HighDeg: p.Aim.HighDeg, Verdict: p.Aim.Verdict, ToDeg: round1(p.ToDeg), TodayDeg: math.Floor(p.TodayDeg*10+num.Slack) / 10,
		SafeDeg: math.Floor(p.SafeDeg), Device: p.Device.Device, DeviceName: words.DeviceName(p.Device.Device), Why: t.speaker.DeviceWhy(p.Device.Why), LoopMM: math.Round(p.Loop.LoopInnerMM), LoopCM: round1(p.Loop.LoopAroundCM), GrowsMM: round1(p.Loop.GrowthMM),
		Now: pairs(p.Now), Bent: pairs(p.Bent), WidensCM: math.Round(p.Widens), Says: []string{}, Shortened: false,
	}
	b.StandIn, b.How = t.speaker.DeviceHow(p.Device.Device)
	if p.Bend != nil {
		b.ForceN, b.Stages, b.WeeksBetween = round1(p.Bend.ForceN), p.Bend.Stages, p.Bend.WeeksBetween
		if p.Device.Device == "weight" && p.Bend.FirstWeightKG != nil {
			b.MassKG = round1(*p.Bend.FirstWeightKG)
		}
	}
	if p.Stick != nil {
		b.StickCM, b.TrunkCM = p.Stick.CutCM, round1(p.TrunkCM)
	}
	if p.Cord != nil {
		b.PegCM, b.BestPegCM, b.CordCM, b.CordCutCM = math.Round(p.Cord.PegCM), math.Round(p.Cord.IdealPegCM), math.Round(p.Cord.CordCM), p.Cord.CordCutCM
		if p.Cord.TensionN != nil {
			b.PullKG = round1(*p.Cord.TensionN / 9.81)
		}
	}
	if p.Set != nil {
		off := t.day + almanac.Day(num.Ceil(7*p.Set.WeeksOn))
		b.Off, b.Bound = &off, p.Set.Bound
	}
	b.Says = append(b.Says, t.speaker.Bend(p)...)
	if t.bearsNow() && p.Device.Device != "none" {
		b.Says = append(b.Says, "It may be in fruit: thin first, and look at the angle again after harvest.")
	}
	for _, o := range t.tp.Rigs {
		if o.Limb == p.Limb && o.Bends() {
			b.Rig = o.ID
		}
	}
	b.Partners = []string{}
	if p.Device.Device == "spreader" || p.Device.Device == "notched_stick" {
		for _, j := range training.ToBend(t.m) {
			if _, err := training.BridgeLimbs(t.m, i, j, p.ContactCM, p.TodayDeg); err == nil {
				b.Partners = append(b.Partners, t.m.Axes[j].ID)
			}
		}
		if ask.Between != "" {
			return b, t.bridge(&b, i, ask.Between, p)
		}
	}
	return b, nil
}

func (t *trained) bearsNow() bool {
	petal, end := t.tp.Anchors.Day(almanac.PetalFall.String()), t.tp.Anchors.Day(almanac.HarvestStart.String())
	return !t.tp.Picked.Known() && t.tp.Tree.Bears(t.planned.Shown.Season, t.south) && petal.Known() && end.Known() && t.day >= petal && t.day <= end
}

func pairs(in [][2]float64) []OutUp {
	out := make([]OutUp, len(in))
	for i, p := range in {
		out[i] = OutUp{round1(p[0]), round1(p[1])}
	}
	return out
}

// bridge sets the stick of a bend between its limb and another.
func (t *trained) bridge(b *BendBody, i int, with string, p training.BendPlan) error {
	j := t.m.Index(with)
	if j < 0 {
		return given.Fault{Code: "no_limb", Field: "between", Given: with, Expected: "a limb that still stands on this map"}
	}
	made, err := training.BridgeLimbs(t.m, i, j, p.ContactCM, p.TodayDeg)
	if err != nil {
		return err
	}
	other, err := training.BendLimb(t.m, j, t.bending(BendAsked{Limb: with, ContactCM: p.ContactCM, AimDeg: made.PartnerTo, Device: p.Device.Device}))
	if err != nil {
		return err
	}
	made.PartnerSafe = other.SafeDeg
	b.StickCM, b.TrunkCM = math.Round(made.StickCM), 0
	b.Between = &BridgeBody{
		Limb: with, GapCM: math.Round(made.GapCM), StickCM: math.Round(made.StickCM), NowDeg: round1(made.PartnerNow), ToDeg: round1(made.PartnerTo), Says: t.speaker.Bridge(made),
	}
	return nil
}

// Bend previews the bend of a limb. Errors: given.Faults, store.ErrNotFound without a map.
func (k *Keeper) Bend(ctx context.Context, a At, ask BendAsked) (*BendBody, error) {
	t, err := k.trained(ctx, a)
	if err != nil {
		return nil, err
	}
	if t.m == nil {
		return nil, store.ErrNotFound
	}
	i := t.m.Index(ask.Limb)
	if i < 0 {
		return nil, given.Fault{Code: "no_limb", Field: "limb", Given: ask.Limb, Expected: "a limb that still stands on this map"}
	}
	out, err := t.bend(i, ask)
	return &out, err
}
