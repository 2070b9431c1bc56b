package store

import (
	"vertumna/core/almanac"
	"vertumna/core/pomology"
	"vertumna/core/year"
)

// Contents are an orchard with all that a plan is made from.
type Contents struct {
	Orchard *Orchard
	People  []Person
	Trees   []Tree
	Entries []Entry
	Own     []OwnTask
	Sky     *Sky                     // what is known of its weather
	Set     map[string]almanac.Day   // days that a person set, by task
	Words   map[string]TrainingWords // what a person says of shoots and buds, by tree
	// SetAside are rows that cannot be read, left out of all the above.
	SetAside []Broken
	// LightCapsM are how high trees may stand for their neighbours' light, by tree; worked out where a school asks for them.
	LightCapsM map[string]float64
}

// Yard turns an orchard into what the core plans from, as it stood on the day shown: measured sizes up to that day count.
// Errors: those of year.NewPlace, an unknown kind.
func (c *Contents) Yard(shown almanac.Day) (*year.Yard, error) {
	place, err := year.NewPlace(c.Orchard.Site)
	if err != nil {
		return nil, err
	}
	y := &year.Yard{
		Place:        place,
		School:       pomology.School{Preset: c.Orchard.School.Preset, Own: c.Orchard.School.Own},
		RowDistanceM: c.Orchard.Plot.RowDistance, Hosts: c.Orchard.Plot.Hosts,
	}
	if len(c.People) > 0 {
		p := c.People[0]
		y.FingertipCM, y.CeilingCM = p.FingertipCM, p.CeilingCM
		for _, h := range p.HoursAWeek {
			y.HoursAWeek += h
		}
	}
	index := map[string]int{}
	for i := range c.Trees {
		t, err := c.Trees[i].Core()
		if err != nil {
			return nil, err
		}
		t.LightCapM = c.LightCapsM[t.ID]
		index[t.ID] = len(y.Trees)
		y.Trees = append(y.Trees, t)
	}
	for i := range c.Entries {
		e := &c.Entries[i]
		if k, ok := index[e.TreeID]; ok && e.Date <= shown {
			e.measure(&y.Trees[k])
		}
		y.Entries = append(y.Entries, e.Core())
	}
	for _, o := range c.Own {
		y.Own = append(y.Own, o.Core())
	}
	return y, nil
}

// Core is the tree as the plan sees it. Error: pomology.UnknownKindError.
func (t *Tree) Core() (year.Tree, error) {
	k, err := pomology.BySlug(t.Kind)
	if err != nil {
		return year.Tree{}, err
	}
	return year.Tree{
		ID: t.ID, Code: t.Code, Name: t.Name, Cultivar: t.Cultivar, Kind: k,
		Chill: t.Chill, Bloom: t.Bloom, Harvest: t.Harvest, Class: pomology.VigourClass(t.Class),
		Planted: orNone(t.Planted), AsWhip: t.AsWhip, Form: pomology.FormSlug(t.Form), Habit: t.Habit, Aim: year.Aim(t.Aim),
		HeightM: t.HeightM, SpreadM: t.SpreadM, TrunkMM: t.TrunkMM, ScaffoldsMM: t.ScaffoldsMM,
		TubLitres: t.TubLitres, HasStake: t.Stake, HasMulch: t.Mulch, HasWires: t.Wires || len(t.WiresCM) > 0, WiresCM: t.WiresCM, ArmM: t.ArmCM / 100, Own: t.Own,
		Wishes:   year.Wishes{Bag: t.Bag, LeavesOff: t.LeavesOff, GraftWood: t.GraftWood, ThinAnyway: t.ThinAnyway, Graft: t.Graft},
		Triploid: t.Triploid, SelfFertile: t.SelfFertile, Resists: t.Resists, Elsewhere: t.Elsewhere, Gone: orNone(t.Gone), X: t.X, Y: t.Y,
	}, nil
}

func orNone(d *almanac.Day) almanac.Day {
	if d == nil {
		return almanac.NoDay
	}
	return *d
}

// Core is the entry as the plan sees it.
func (e *Entry) Core() year.Entry {
	out := year.Entry{
		ID: e.ID, Tree: e.TreeID, Date: e.Date, Season: e.Season, Kind: year.EntryKind(e.Kind), Task: year.TaskKind(e.Task),
		TaskID: e.TaskID, Outcome: year.Outcome(e.Outcome), Share: e.Share, CutMM: e.CutMM, FreeOnly: e.FreeOnly,
		Headed: e.Headed, OpensSun: e.OpensSun, Minutes: e.Minutes, Cuts: e.Cuts, Reason: e.Reason, Tmin: e.TminC, Device: e.Device,
		Slip: e.Map > 0, Rig: e.Rig, InPaper: e.Packing == "paper",
	}
	for i, c := range e.Made {
		w := year.Wound{Limb: c.Limb}
		if len(e.CutMM) == len(e.Made) {
			w.MM = e.CutMM[i]
		}
		out.Wounds = append(out.Wounds, w)
	}
	if f := e.Fruiting; f != nil {
		out.Opened, out.Alive, out.FruitMM = f.Opened, f.Alive, f.FruitMM
	}
	for _, k := range e.Carried {
		out.Carried = append(out.Carried, year.CarriedLimb{Key: year.Finding{Code: k.Code, Limb: k.Limb}, Why: k.Why, Summer: k.Due == "summer", CM: k.CM})
	}
	if s, err := almanac.ParseStage(e.Stage); err == nil {
		out.Stage = s
	}
	return out
}

// measure carries what an entry measured over to its tree.
func (e *Entry) measure(t *year.Tree) {
	for _, m := range []struct {
		from float64
		to   *float64
	}{{e.HeightM, &t.HeightM}, {e.SpreadM, &t.SpreadM}, {e.TrunkMM, &t.TrunkMM}, {e.ShootCM, &t.ShootCM}} {
		if m.from > 0 {
			*m.to = m.from
		}
	}
}

// Core is the task as the plan sees it.
func (o *OwnTask) Core() year.OwnTask {
	out := year.OwnTask{
		ID: o.ID, Tree: o.TreeID, Title: o.Title, Date: orNone(o.Date), OffsetDays: o.OffsetDays, EveryDays: o.EveryDays,
		ForDays: o.ForDays, Minutes: o.Minutes,
	}
	if s, err := almanac.ParseStage(o.Stage); err == nil {
		out.Stage = s
	}
	return out
}
