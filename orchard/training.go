package orchard

import (
	"context"
	"errors"
	"fmt"
	"math"
	"slices"
	"strings"

	"vertumna/core/almanac"
	"vertumna/core/find"
	"vertumna/core/given"
	"vertumna/core/limb"
	"vertumna/core/num"
	"vertumna/core/pomology"
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
	out := &TrainingBody{
		Form: string(t.tp.Young.Form), FormName: words.FormName(t.core.Form), Age: t.tp.Age, Says: []string{}, Steps: []FormStepBody{}, Outlines: []OutlineBody{},
		Bends: []BendBody{}, Even: []string{}, Rigs: []RigBody{}, Safety: t.speaker.TrainingSafety(), Trials: []TrialBody{}, ReachCM: math.Round(100 * t.tp.ReachM),
	}
	if w := t.tp.Way; w != nil {
		t.way(out, w)
	}
	for _, o := range t.tp.Rigs {
		out.Rigs = append(out.Rigs, t.rig(o))
	}
	slices.SortStableFunc(out.Rigs, func(x, y RigBody) int { return x.DaysLeft - y.DaysLeft })
	out.Trials = t.trials()
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
		out.Choice, err = t.choice(nil)
		if err == nil {
			err = t.bends(out)
		}
	}
	if err != nil {
		return nil, err
	}
	out.Notch = t.notch()
	out.Graft = t.graft()
	return out, nil
}

// way tells the steps of formation with their days.
func (t *trained) way(out *TrainingBody, w *training.Way) {
	out.Stands, out.Says = w.Stands, append(out.Says, t.speaker.Formation(w)...)
	out.CapCM = math.Round(w.CapCM)
	for _, s := range w.Steps {
		b := FormStepBody{Year: s.Year, Season: t.planned.Shown.Season - t.tp.Age + s.Year, When: words.StepWhen(s), Title: t.speaker.FormTitle(s), Says: t.speaker.FormStep(s), State: s.State, Second: words.SecondBest(s), What: string(s.What), CM: math.Round(s.CM), HighCM: math.Round(s.HighCM), Tier: s.Tier}
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

// rig tells one device.
func (t *trained) rig(o year.Clocked) RigBody {
	return rigBody(t.speaker, t.tree, o, t.day)
}

func rigBody(s words.Speaker, tree *store.Tree, o year.Clocked, day almanac.Day) RigBody {
	b := RigBody{
		Rig: o.Rig, TreeID: tree.ID, Code: tree.Code, Name: words.DeviceName(o.Device), On: almanac.Day(o.OnDay), Off: almanac.Day(o.OffDay), DaysLeft: o.OffDay - int(day), Stays: o.Standing(),
		LoopState: o.LoopState, Says: s.Rig(o, int(day)), Checks: []almanac.Day{}, Looks: []almanac.Day{}, Over: !o.Standing() && o.OffDay < int(day), Warnings: []string{},
	}
	for _, c := range o.Checks {
		b.Checks = append(b.Checks, almanac.Day(c.Day))
		if c.Day <= int(day) {
			b.Due = true
		}
	}
	for _, l := range o.Looks {
		b.Looks = append(b.Looks, almanac.Day(l.Day))
	}
	if o.TestDay > 0 {
		d := almanac.Day(o.TestDay)
		b.Test = &d
	}
	if o.RenewBy > 0 {
		d := almanac.Day(o.RenewBy)
		b.RenewBy = &d
	}
	return b
}

// Devices are all devices that are on in an orchard, by the days they have left.
func (k *Keeper) Devices(ctx context.Context, slug string, day almanac.Day) ([]RigBody, error) {
	if !day.Known() {
		day = k.today()
	}
	p, err := k.Plan(ctx, slug, day)
	if err != nil {
		return nil, err
	}
	out := []RigBody{}
	trees := map[string]*store.Tree{}
	for i := range p.Contents.Trees {
		trees[p.Contents.Trees[i].ID] = &p.Contents.Trees[i]
	}
	for i := range p.Shown.Trees {
		tp := &p.Shown.Trees[i]
		for _, o := range tp.Rigs {
			out = append(out, rigBody(p.Speaker, trees[tp.Tree.ID], o, day))
		}
	}
	slices.SortStableFunc(out, func(x, y RigBody) int { return x.DaysLeft - y.DaysLeft })
	return out, nil
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

// choice is the best set of main limbs beside the next, with what a person doubts, keeps or would bend first.
func (t *trained) choice(marks []CandidateMark) (*MainLimbsBody, error) {
	in, ok := training.ScaffoldsOf(t.m, t.scaffoldLimits())
	if !ok || t.tp.Age < 2 || t.tp.Way != nil && t.tp.Age > t.tp.Way.Stands {
		return nil, nil //nolint:nilnil // no choice is to be made
	}
	bent := map[string]float64{}
	for i, mark := range marks {
		at := slices.IndexFunc(in.Candidates, func(c training.ScaffoldCandid) bool { return c.ID == mark.Limb })
		if at < 0 {
			return nil, given.Fault{Code: given.Conflict, Field: fmt.Sprintf("marks[%d].limb", i), Given: mark.Limb, Expected: "a shoot on the trunk"}
		}
		c := &in.Candidates[at]
		switch mark.Mark {
		case "keep":
			c.Keep = true
		case "doubt":
			c.Fault = "slight"
		case "out":
			c.Fault, c.Keep = "bad", false
		}
		if mark.AngleDeg > 0 {
			c.AngleDeg = mark.AngleDeg
			bent[c.ID] = mark.AngleDeg
		}
	}
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
		_, b.Bent = bent[c.ID]
		out.Candidates = append(out.Candidates, b)
	}
	slices.SortStableFunc(out.Candidates, func(a, b CandidateBody) int { return int(a.HeightCM - b.HeightCM) })
	return out, nil
}

// Choose is the choice with a person's own marks on the candidates.
func (k *Keeper) Choose(ctx context.Context, a At, marks []CandidateMark) (*MainLimbsBody, error) {
	t, err := k.trained(ctx, a)
	if err != nil {
		return nil, err
	}
	if t.m == nil {
		return nil, store.ErrNotFound
	}
	out, err := t.choice(marks)
	if err == nil && out == nil {
		return nil, given.Fault{Code: "no_choice", Field: "tree", Given: words.FormName(t.core.Form), Expected: "a young tree of a free form with two shoots or more on its trunk"}
	}
	return out, err
}

// bends are the limbs that want another angle, in the order they are bent.
func (t *trained) bends(out *TrainingBody) error {
	if t.tp.Age > bendToAge && t.tp.Aim.Aim != year.Build && t.tp.Way == nil {
		return nil
	}
	list := training.ToBend(t.m)
	for _, s := range training.EvenFirst(t.m, list).Shorten {
		out.Even = append(out.Even, fmt.Sprintf("%s is %.1f times as thick as its fellows: cut it back to %s first.", s.ID, s.Ratio, t.speaker.Amount(math.Round(s.ToCM), "cm")))
	}
	for _, i := range list {
		b, err := t.bend(i, BendAsked{})
		if err != nil {
			return err
		}
		out.Bends = append(out.Bends, b)
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
		SafeDeg: math.Floor(p.SafeDeg), Device: p.Device.Device, DeviceName: words.DeviceName(p.Device.Device), Why: words.DeviceWhy(p.Device.Why), LoopMM: math.Round(p.Loop.LoopInnerMM), LoopCM: round1(p.Loop.LoopAroundCM), GrowsMM: round1(p.Loop.GrowthMM),
		Now: pairs(p.Now), Bent: pairs(p.Bent), WidensCM: math.Round(p.Widens), Says: []string{}, Shortened: false,
	}
	b.StandIn, b.How = words.DeviceHow(p.Device.Device)
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
	return b, nil
}

func (t *trained) bearsNow() bool {
	petal, end := t.tp.Anchors.Day(almanac.PetalFall.String()), t.tp.Anchors.Day(almanac.HarvestStart.String())
	return t.tp.Tree.Bears(t.planned.Shown.Season, t.south) && petal.Known() && end.Known() && t.day >= petal && t.day <= end
}

func pairs(in [][2]float64) []OutUp {
	out := make([]OutUp, len(in))
	for i, p := range in {
		out[i] = OutUp{round1(p[0]), round1(p[1])}
	}
	return out
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

// LogRig logs what was done with a device of a tree. Errors: given.Faults of training.CheckAct, those of Log.
func (k *Keeper) LogRig(ctx context.Context, a At, done RigDone) (*EntryBody, error) {
	t, err := k.trained(ctx, a)
	if err != nil {
		return nil, err
	}
	day := min(t.day, k.today())
	act := done.Act
	var on []training.OnTree
	for _, o := range t.tp.Rigs {
		on = append(on, o.OnTree)
	}
	if act.Act == "on" && act.ID == "" {
		act.ID = store.NewID()
	}
	safe := 0.0
	limbs := func(id string) (training.LimbFacts, bool) {
		if t.m == nil {
			return training.LimbFacts{LengthCM: math.Inf(1)}, id != "" && id == act.Limb
		}
		i := t.m.Index(id)
		if i < 0 {
			return training.LimbFacts{}, false
		}
		return training.LimbFacts{DMM: t.m.Axes[i].D, LengthCM: t.m.Axes[i].L, Dead: t.m.WhollyDead(i)}, true
	}
	if t.m != nil && act.Act == "on" {
		if i := t.m.Index(act.Limb); i >= 0 && !act.Standing() {
			b, err := t.bend(i, BendAsked{ContactCM: act.AtCM})
			if err != nil {
				return nil, err
			}
			safe = b.SafeDeg
			if act.DMM == 0 {
				act.DMM = b.DMM
			}
			if act.BeforeDeg == 0 {
				act.BeforeDeg = b.NowDeg
			}
			if act.AtCM == 0 {
				act.AtCM = b.ContactCM
			}
		}
	}
	if err := training.CheckAct(act, on, limbs, safe); err != nil {
		return nil, err
	}
	e := store.Entry{TreeID: a.Tree, Date: day, Kind: "work", Outcome: "done", Minutes: done.Minutes, Note: done.Note, Who: done.Who, Rig: &act, Reason: done.Reason}
	switch act.Act {
	case "on":
		e.Task = string(year.Bend)
		if act.Standing() {
			e.Task = string(year.GiveStake)
		}
	case "look":
		e.Task = string(year.CheckTies)
	default:
		e.Task = string(year.TakeOff)
	}
	e.TaskID = t.rigTask(act, year.TaskKind(e.Task))
	out, err := k.stampEntry(ctx, t.contents, &e)
	if err != nil {
		return nil, err
	}
	if err := k.writeRig(ctx, t, day, &e); err != nil {
		return nil, err
	}
	out.Entry = e
	return &out, nil
}

// writeRig writes an act down, and with it the map with its limb as it stands now, both or neither.
func (k *Keeper) writeRig(ctx context.Context, t *trained, day almanac.Day, e *store.Entry) error {
	id := t.contents.Orchard.ID
	turn, says := turned(e.Rig, t.tp.Rigs)
	if t.m == nil || math.Abs(turn) < 1 || t.m.Index(e.Rig.Limb) < 0 {
		return k.store.AddEntry(ctx, id, e)
	}
	a := &t.m.Axes[t.m.Index(e.Rig.Limb)]
	base, tip := num.Clamp(a.A0+turn, 0, 180), num.Clamp(a.A1+turn, 0, 180)
	kept, err := k.store.MapAsOf(ctx, t.core.ID, day)
	if err != nil {
		return err
	}
	doc, err := limb.Apply(kept.Doc, limb.Edit{Op: "set", ID: e.Rig.Limb, Limb: &limb.Limb{AngleBaseDeg: &base, AngleTipDeg: &tip}})
	if err != nil {
		return err
	}
	return k.store.LogSlip(ctx, id, e, &store.LimbMap{Revision: store.Revision{BasedOn: t.mark.Revision, Date: day, Cause: store.CauseCorrect, Note: says}, Doc: doc})
}

// turned is by how much an act moves its limb, degrees: put on it is bent, taken off it may spring back.
func turned(a *training.RigAct, on []year.Clocked) (deg float64, says string) {
	switch a.Act {
	case "on":
		if a.BeforeDeg > 0 && a.AfterDeg > 0 {
			return a.AfterDeg - a.BeforeDeg, fmt.Sprintf("%s bent to %.0f degrees", a.Limb, a.AfterDeg)
		}
	case "off":
		for _, o := range on {
			if o.ID == a.ID && a.SprangTo > 0 && o.AfterDeg > 0 {
				a.Limb = o.Limb
				return a.SprangTo - o.AfterDeg, fmt.Sprintf("%s let go: %.0f degrees", o.Limb, a.SprangTo)
			}
		}
	}
	return 0, ""
}

// rigTask is the task that an act on a device answers; empty where it answers none.
func (t *trained) rigTask(act training.RigAct, kind year.TaskKind) string {
	for i := range t.tp.Tasks {
		task := &t.tp.Tasks[i]
		if task.Kind == kind && strings.Contains(task.ID, "."+act.ID) && task.Window.Opens.Day <= t.day && len(task.Entries) == 0 {
			return task.ID
		}
	}
	return ""
}

// planting says whether the tree is in the season it is planted for.
func (t *trained) planting() bool { return t.tp.Age <= 1 && t.tp.Way != nil }

// plantingDay is the sheet of the day a tree is planted.
func (t *trained) plantingDay() (*PlantingBody, error) {
	y := t.tp.Young
	first := 0.0
	if len(y.WiresCM) > 0 {
		first = y.WiresCM[0]
	}
	buds := t.stemBuds()
	h, err := training.HeadingFor(y.Form, y.Branched, y.HeightCM, first, y.LowerCM, buds)
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

func (t *trained) plantingFacts() words.PlantingFacts {
	f, err := pomology.FormBySlug(t.tp.Young.Form)
	return words.PlantingFacts{
		Kind: t.core.Kind, Form: t.tp.Young.Form, Flat: err == nil && f.Flat, Class: t.core.Class, Branched: t.tp.Young.Branched, Tub: t.core.TubLitres > 0,
		Stake: pomology.StakeForLife(t.core.Class) || t.core.TubLitres == 0, WiresCM: t.tp.Young.WiresCM, Speaker: t.speaker,
	}
}

// stemBuds are the buds of the youngest wood of a young tree's stem, where it is mapped.
func (t *trained) stemBuds() []training.PlantingBud {
	if t.m == nil || len(t.m.Stems()) != 1 {
		return nil
	}
	stem := t.m.Stems()[0]
	var out []training.PlantingBud
	for k := range t.m.Axes[stem].Rings {
		for _, n := range t.m.Nodes(stem, k, nil) {
			if n.N == 0 || !n.Kind.HasLeaf() {
				continue
			}
			at := t.m.At(stem, n.At)
			az := math.Mod(float64(len(out))*t.core.Kind.Growth.DivergenceDeg, 360) // as the kind's buds turn round a stem
			if n.Known {
				az = math.Mod(num.Deg(math.Atan2(n.Facing.X, n.Facing.Y))+360, 360)
			}
			out = append(out, training.PlantingBud{ID: fmt.Sprintf("%d", len(out)+1), HeightCM: num.Clamp(at.Z, 0, 2000), AzimuthDeg: az, Sound: true})
		}
	}
	if top := 100 * t.core.HeightM; top > 0 {
		out = slices.DeleteFunc(out, func(b training.PlantingBud) bool { return b.HeightCM > top })
	}
	return out
}

// notch is which buds of a whip are woken; nil where none are.
func (t *trained) notch() *NotchBody {
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
	for _, b := range t.stemBuds() {
		if b.HeightCM <= 400 {
			in.Buds = append(in.Buds, training.NotchBud{ID: b.ID, HeightCM: b.HeightCM, AzimuthDeg: b.AzimuthDeg, Sound: true})
		}
	}
	if len(in.Buds) == 0 {
		return nil
	}
	got, err := training.ChooseNotches(in)
	if err != nil {
		return nil
	}
	out := &NotchBody{State: got.State, Marks: []NotchMark{}, Eligible: got.Eligible, Short: got.Short, Says: t.speaker.Notching(got, t.core.Kind.Group == pomology.Stone)}
	for _, n := range got.Notch {
		out.Marks = append(out.Marks, NotchMark{n.ID, round1(n.AtCM)})
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
	f, err := training.FlatOf(t.m, wires, goal, yearly, grows)
	if err != nil {
		return nil, err
	}
	run := 2 * goal
	lay, err := training.LayWires(training.WireLayout{RunCM: num.Clamp(run, 50, 10000), TopLimitCM: num.Clamp(wires[len(wires)-1]+15, 40, 400), FirstCM: 40, StepCM: 30, ClearanceCM: 15, HeightsCM: wires, Support: support(t.tree), WireOffCM: 12, TrunkOffCM: 25})
	if err != nil {
		return nil, err
	}
	out := &WallBody{
		AlongDeg: math.Round(f.AlongDeg), SideA: words.Side(f.AlongDeg), SideB: words.Side(math.Mod(f.AlongDeg+180, 360)), WiresCM: wires, GoalCM: math.Round(goal), LeaderCM: math.Round(f.LeaderCM), NextWireCM: f.NextWire, LeaderDue: f.Due, LeaderCutCM: f.Arms.LeaderCutCM,
		Arms: []ArmBody{}, Steps: []WallStep{}, Off: []OffBody{}, Shorten: []string{}, Hardware: t.speaker.Hardware(lay, support(t.tree)), YearFull: f.Plan.YearFull, LeanDeg: round1(lay.TrunkLeanDeg), Says: []string{},
	}
	for _, a := range f.Laid {
		out.Arms = append(out.Arms, ArmBody{a.Limb, a.WireCM, a.Side, a.State, math.Round(a.LengthCM), math.Round(a.LayCM), a.Ties, a.SeasonsToFinish, a.Balance, a.Lies, a.TooClose})
	}
	for _, o := range f.Off {
		out.Off = append(out.Off, OffBody{o.Limb, math.Round(o.Deg), o.Act})
	}
	for _, s := range f.Shorten {
		out.Shorten = append(out.Shorten, s.Limb)
	}
	out.Steps = wallSteps(t.speaker.WallSteps(f))
	out.Says = append(out.Says, t.speaker.Wall(f, goal)...)
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
	got, err := training.CutGraftWood(training.GraftWood{WeeksToSwell: num.Clamp(float64(swell-t.day)/7, -30, 52), Leafless: !fall.Known() || t.day >= fall, PieceCM: 22, Shoots: shoots})
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
