package orchard

import (
	"context"
	"fmt"
	"math"
	"slices"
	"strings"

	"vertumna/core/almanac"
	"vertumna/core/limb"
	"vertumna/core/num"
	"vertumna/core/training"
	"vertumna/core/year"
	"vertumna/store"
	"vertumna/words"
)

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
