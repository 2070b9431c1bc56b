package training_test

import (
	"errors"
	"fmt"
	"math"
	"math/rand/v2"
	"slices"
	"testing"

	"github.com/stretchr/testify/require"

	"vertumna/core/given"
	"vertumna/core/growth"
	"vertumna/core/limb"
	"vertumna/core/pomology"
	"vertumna/core/training"
)

func bendOf(t *testing.T, in training.BendForce) training.Bend {
	t.Helper()
	return answer(t, training.ForceOf, in)
}

func TestNoStageBendsPastItsLimitAndMoreStagesNeverAllowLess(t *testing.T) {
	stiff := 0
	for seed := range uint64(200) {
		r := rand.New(rand.NewPCG(seed, 23))
		in := training.BendForce{Species: "apple", LengthCM: 60 + 120*r.Float64(), DiameterMM: 6 + 30*r.Float64(), NowDeg: 10 + 25*r.Float64(), InGrowth: seed%2 == 0}
		in.ContactCM, in.AimDeg = 0.6*in.LengthCM, in.NowDeg+10+40*r.Float64()
		out := bendOf(t, in)
		first := in
		first.AimDeg = out.FirstStageDeg
		require.LessOrEqual(t, bendOf(t, first).Strain, out.StrainLimit*(1+1e-9), "seed %d", seed)
		require.GreaterOrEqual(t, out.FirstStageDeg, in.NowDeg)
		require.LessOrEqual(t, out.FirstStageDeg, in.AimDeg+1e-9)
		if out.Stages == nil {
			stiff++
			require.Contains(t, out.Warnings, training.WTooStiff)
			continue
		}
		require.Equal(t, *out.Stages > 1, out.FirstStageDeg < in.AimDeg-1e-9, "one stage goes all the way")
		further := in
		further.AimDeg = math.Min(175, in.AimDeg+5)
		more := bendOf(t, further)
		require.True(t, more.Stages == nil || *more.Stages >= *out.Stages, "further never takes fewer stages")
		held := in
		held.ContactCM = 0.8 * in.LengthCM
		require.Less(t, bendOf(t, held).Strain, out.Strain, "held further out it bends gentler")
	}
	require.NotZero(t, stiff)
}

func TestWoodSetsLaterTheThickerItIsAndTheClockAlwaysEnds(t *testing.T) {
	r := rand.New(rand.NewPCG(3, 29))
	for range 400 {
		in := training.SetTime{DiameterMM: 5 + 35*r.Float64(), BendDeg: 60 * r.Float64(), StartWeek: math.Round(104*r.Float64()*7)/7 - 52, GrowingWeeks: 8 + 37*r.Float64(), Device: "other", School: "two_years"}
		out, err := training.SetOf(in)
		require.NoError(t, err)
		require.GreaterOrEqual(t, out.WeeksOn, 0.0)
		require.LessOrEqual(t, out.WeeksOn, 104+1e-9)
		thicker := in
		thicker.DiameterMM += 3
		later, err := training.SetOf(thicker)
		require.NoError(t, err)
		require.GreaterOrEqual(t, later.SetWeek, out.SetWeek-1e-9)
	}
}

func on(day int, r training.Rig) training.OnTree {
	return training.OnTree{Rig: r, OnDay: day, BudBreak: 100, Slowing: 240, School: "six-months"}
}

func TestADeviceIsLookedAtUntilItIsOffAndAlwaysComesOff(t *testing.T) {
	for seed := range uint64(100) {
		r := rand.New(rand.NewPCG(seed, 31))
		o := on(r.IntN(300), training.Rig{ID: "x", Device: []string{"tie", "spreader", "weight", "peg_tie", "clothespin"}[r.IntN(5)], Limb: "S1", Material: []string{"", "jute", "stretch-tape", "wood"}[r.IntN(4)], BeforeDeg: 20, AfterDeg: 20 + 30*r.Float64(), DMM: 6 + 20*r.Float64()})
		o.School = []string{"growth", "six-months", "season", "two-years"}[r.IntN(4)]
		c, err := training.ClockOf(o, o.OnDay+10)
		require.NoError(t, err)
		require.Greater(t, c.OffDay, o.OnDay)
		require.LessOrEqual(t, c.OffDay, o.OnDay+2*366)
		if o.Loops() {
			require.LessOrEqual(t, c.OffDay, o.OnDay+366, "no tie stays longer than a year")
		}
		require.True(t, slices.IsSortedFunc(c.Checks, func(a, b training.DeviceCheck) int { return a.Day - b.Day }))
		for _, k := range c.Checks {
			require.Greater(t, k.Day, o.OnDay)
			require.Less(t, k.Day, c.OffDay)
		}
		if c.OffDay-o.OnDay > training.SettleDays {
			require.NotEmpty(t, c.Checks, "seed %d", seed)
		}
		looked := o
		looked.Looks = []training.RigLook{{Day: o.OnDay + 40, Found: "sits"}}
		after, err := training.ClockOf(looked, o.OnDay+41)
		require.NoError(t, err)
		for _, k := range after.Checks {
			require.Greater(t, k.Day, o.OnDay+40, "what was looked at is not asked for again")
		}
	}
}

func TestADeviceOfAnyMaterialHasItsClock(t *testing.T) {
	for _, device := range []string{"tie", "spreader", "weight", "peg_tie", "clothespin", "notched_stick", "tie_up", "stake", "wire"} {
		for _, material := range []string{"", "stretch-tape", "jute", "cloth", "cord", "wood", "bamboo", "metal"} {
			o := training.OnTree{Rig: training.Rig{ID: "r", Device: device, Material: material, AtCM: 40}, OnDay: 10000, BudBreak: 10040, Slowing: 10150}
			c, err := training.ClockOf(o, 10005)
			require.NoError(t, err, "%s of %s is not forgotten", device, material)
			require.NotEmpty(t, c.Checks, "%s of %s", device, material)
		}
	}
}

func TestALoopTellsWhenItGetsTight(t *testing.T) {
	o := on(90, training.Rig{ID: "x", Device: "tie", Limb: "S1", Material: "jute", BeforeDeg: 20, AfterDeg: 45, DMM: 14, LoopMM: 17.5})
	state := func(day int, material string) string {
		p := o
		p.Material = material
		c, err := training.ClockOf(p, day)
		require.NoError(t, err)
		return c.LoopState
	}
	require.Equal(t, "soon", state(95, "jute"))
	require.Equal(t, "ok", state(95, "stretch-tape"), "it gives as the limb grows")
	require.Equal(t, "tight", state(200, "jute"))
	wide := o
	wide.LoopMM = 30
	c, err := training.ClockOf(wide, 200)
	require.NoError(t, err)
	require.Equal(t, "ok", c.LoopState)
}

func TestActsAreReplayedOnceEach(t *testing.T) {
	act := func(day int, what, id string) training.DatedAct {
		return training.DatedAct{Day: day, RigAct: training.RigAct{Act: what, Rig: training.Rig{ID: id, Device: "tie"}}}
	}
	got := training.ReplayRigs([]training.DatedAct{act(1, "on", "a"), act(1, "on", "a"), act(2, "on", "b"), act(3, "look", "c"), act(4, "off", "a"), act(5, "off", "a"), act(6, "look", "b")})
	require.Len(t, got, 1)
	require.Equal(t, "b", got[0].ID)
	require.Len(t, got[0].Looks, 1)
}

func TestWhatCannotBeIsRefusedWithItsField(t *testing.T) {
	limbs := func(id string) (training.LimbFacts, bool) {
		f, ok := map[string]training.LimbFacts{"S1": {DMM: 12, LengthCM: 80}, "S2": {DMM: 20, LengthCM: 100, Dead: true}, "S3": {DMM: 6, LengthCM: 50}, "S4": {DMM: 14, LengthCM: 90}}[id]
		return f, ok
	}
	is := []training.OnTree{on(1, training.Rig{ID: "a", Device: "tie", Limb: "S4"})}
	good := training.RigAct{Act: "on", Rig: training.Rig{ID: "b", Device: "tie", Limb: "S1", Anchor: "trunk", AtCM: 40, BeforeDeg: 20, AfterDeg: 45, DMM: 12, LoopMM: 24}}
	require.NoError(t, training.CheckAct(good, is, limbs, 50))
	for field, spoil := range map[string]func(*training.RigAct){
		"id":        func(a *training.RigAct) { a.ID = "a" },
		"limb":      func(a *training.RigAct) { a.Limb = "S2" },
		"at_cm":     func(a *training.RigAct) { a.AtCM = 90 },
		"after_deg": func(a *training.RigAct) { a.AfterDeg = 70 },
		"anchor":    func(a *training.RigAct) { a.Anchor = "S3" },
		"loop_mm":   func(a *training.RigAct) { a.LoopMM = 13 },
	} {
		bad := good
		spoil(&bad)
		var fs given.Faults
		require.True(t, errors.As(training.CheckAct(bad, is, limbs, 50), &fs), field)
		require.Equal(t, field, fs[0].Field)
		require.NotEmpty(t, fs[0].Given)
		require.NotEmpty(t, fs[0].Expected)
	}
	require.Error(t, training.CheckAct(training.RigAct{Act: "off", Rig: training.Rig{ID: "gone", Device: "tie"}}, is, limbs, 0), "off before it was on")
	gone := good
	gone.Limb = "S9"
	require.Error(t, training.CheckAct(gone, is, limbs, 50), "a limb that is gone")
}

func young(form pomology.FormSlug, age int) training.Young {
	k, _ := pomology.BySlug("apple")
	reach := 210.0
	return training.Young{Kind: k, Form: form, Class: "semi-dwarfing", Age: age, Bounds: training.Bounds{ReachCM: &reach}, AimDeg: 55, WiresCM: []float64{40, 70, 100, 130}, GoalCM: 130, YearlyCM: 45, Bears: 3}
}

func TestEveryFormHasItsWayAndNoHeightPassesTheCap(t *testing.T) {
	for _, f := range pomology.Forms() {
		for age := range 8 {
			w := training.FormationOf(young(f.Slug, age))
			require.NotEmpty(t, w.Steps, f.Slug)
			require.Positive(t, w.Stands, f.Slug)
			now, last := 0, 0
			for _, s := range w.Steps {
				require.GreaterOrEqual(t, s.Year, last, "%s: years rise", f.Slug)
				last = s.Year
				require.LessOrEqual(t, s.CM, w.CapCM+1e-9, "%s %s", f.Slug, s.What)
				require.LessOrEqual(t, s.Year, w.Stands, "%s %s", f.Slug, s.What)
				switch {
				case s.State == "now":
					now++
					require.Equal(t, max(1, age), s.Year)
				case s.State == "missed":
					require.NotEmpty(t, s.Second, "%s %s", f.Slug, s.What)
					require.Less(t, s.Year, age)
				}
			}
			if age >= 1 && age < w.Stands && f.Slug != pomology.Shrub && !f.Flat {
				require.Positive(t, now, "%s year %d", f.Slug, age)
			}
		}
	}
}

func TestWhatWasBuiltIsDoneAndTheSchoolIsObeyed(t *testing.T) {
	y := young(pomology.OpenVase, 2)
	y.Built = []training.Built{{What: training.Head, Year: 1}}
	state := func(y training.Young, what training.StepKind) (out training.Step) {
		for _, s := range training.FormationOf(y).Steps {
			if s.What == what {
				return s
			}
		}
		t.Fatalf("no step %s", what)
		return out
	}
	require.Equal(t, "done", state(y, training.Head).State)
	require.Equal(t, "now", state(y, training.Choose).State)
	knee := y
	knee.LowerCM, knee.FirstCM = 15, 40
	require.InDelta(t, state(y, training.Head).CM-15, state(knee, training.Head).CM, 1e-9)
	require.InDelta(t, 40, state(knee, training.Choose).CM, 1e-9)
	many := y
	many.Least, many.Most = 4, 6
	require.Equal(t, 4, state(many, training.Choose).Count)
	keep := y
	keep.KeepTop, keep.Branched = true, true
	require.Equal(t, training.LeaveTop, state(keep, training.LeaveTop).What)
	low := young(pomology.CentralLeader, 1)
	short := 100.0
	low.ReachCM = &short
	require.NotEmpty(t, training.FormationOf(low).Warns, "a leader under a short reach is told")
}

func TestNoExchangeOfOneLimbBeatsTheChosenSet(t *testing.T) {
	for seed := range uint64(12) {
		in := asked(rand.New(rand.NewPCG(seed, 37)), 9)
		best := chosen(t, in)
		if best.Verdict != "chosen" {
			continue
		}
		for _, out := range best.Chosen {
			for _, c := range in.Candidates {
				refused := slices.ContainsFunc(best.Rejected, func(r training.Rejected) bool { return r.ID == c.ID })
				if refused || slices.Contains(best.Chosen, c.ID) {
					continue
				}
				other := in
				other.Candidates = slices.Clone(in.Candidates)
				for i := range other.Candidates { // the set with one exchanged, and nothing else to choose from
					id := other.Candidates[i].ID
					other.Candidates[i].Fault = "bad"
					if id == c.ID || id != out && slices.Contains(best.Chosen, id) {
						other.Candidates[i].Fault, other.Candidates[i].Keep = "none", true
					}
				}
				swapped, err := training.ChooseScaffolds(other)
				require.NoError(t, err)
				require.LessOrEqual(t, *swapped.Score, *best.Score+1e-9, "%s for %s", c.ID, out)
			}
		}
	}
}

func TestNoArmLeavesItsPlane(t *testing.T) {
	doc, err := growth.Draw(growth.SketchInput{Species: "pear", Form: pomology.WireTiers, Age: 5, TrunkMM: 50, HeightCM: 170, SpreadCM: 240, Scaffolds: 6, Seed: 5, Year: 2027, Season: limb.Dormant})
	require.NoError(t, err)
	m, err := limb.Check(doc)
	require.NoError(t, err)
	f, err := training.FlatOf(m, []float64{40, 70, 100, 130}, 120, 45, false)
	require.NoError(t, err)
	require.NotEmpty(t, f.Laid)
	for _, a := range f.Laid {
		az := m.Axes[m.Index(a.Limb)].Azimuth
		off := math.Min(math.Abs(math.Mod(az-f.AlongDeg+540, 360)-180), math.Abs(math.Mod(az-f.AlongDeg+720, 360)-180))
		require.LessOrEqual(t, off, 60.0, a.Limb)
		require.LessOrEqual(t, a.LayCM, 120.0)
	}
}

func TestALimbOfTheMapIsBentNoFurtherThanItsWoodBears(t *testing.T) {
	doc, err := growth.Draw(growth.SketchInput{Species: "pear", Form: pomology.OpenVase, Age: 4, TrunkMM: 60, HeightCM: 210, SpreadCM: 150, Scaffolds: 4, Seed: 9, Year: 2027, Season: limb.Dormant})
	require.NoError(t, err)
	m, err := limb.Check(doc)
	require.NoError(t, err)
	list := training.ToBend(m)
	require.NotEmpty(t, list)
	for _, i := range list {
		p, err := training.BendLimb(m, i, training.Bending{AimDeg: 75, Weeks: -8, Growing: 22, Season: 1})
		require.NoError(t, err, fmt.Sprint(m.Axes[i].ID))
		if p.Device.Device == "none" {
			continue
		}
		require.LessOrEqual(t, p.TodayDeg, math.Max(p.SafeDeg, p.NowDeg)+0.5, m.Axes[i].ID)
		require.Len(t, p.Bent, len(p.Now))
		require.InDelta(t, 0, p.Bent[0][0], 1e-9)
		if p.TodayDeg > p.NowDeg+1 {
			require.Less(t, p.Bent[len(p.Bent)-1][1], p.Now[len(p.Now)-1][1], "a limb bent down has a lower tip")
		}
	}
}

func TestWhatTheTrainingCutsEndsAtItsHeight(t *testing.T) {
	asked := 0
	for _, form := range []pomology.FormSlug{pomology.OpenVase, pomology.CentralLeader, pomology.ModifiedLeader, pomology.LowBush} {
		for age := 1; age <= 4; age++ {
			doc, err := growth.Draw(growth.SketchInput{Species: "apple", Form: form, Age: max(2, age), TrunkMM: 15 + 12*float64(age), HeightCM: 150 + 30*float64(age), SpreadCM: 60 + 25*float64(age), Scaffolds: 4, Seed: 3, Year: 2027, Season: limb.Dormant})
			require.NoError(t, err)
			m, err := limb.Check(doc)
			require.NoError(t, err)
			w := training.FormationOf(young(form, age))
			for _, c := range w.CutsIn(m, age, 0) {
				asked++
				end := m.At(m.Index(c.Limb), c.AtCM).Z
				wanted := false
				for _, s := range w.Steps { // a step of this year that is not done, and its height
					wanted = wanted || s.Year == age && (s.State == "now" || s.State == "ahead") && end <= math.Max(s.CM, s.HighCM)+1 && end > s.CM-15
				}
				require.True(t, wanted, "%s year %d: %s ends at %.0f cm", form, age, c.Limb, end)
				require.NoError(t, m.Cutter().Cut(c))
			}
			require.Empty(t, w.CutsIn(m, 30, 0), "nothing is trained on a grown tree")
		}
	}
	require.Positive(t, asked)
}

func TestAFlatTreeFillsItsWiresYearByYear(t *testing.T) {
	wires := []float64{40, 70, 100, 130}
	for _, yearly := range []float64{15, 38, 80, 200} {
		plan, err := training.PlanFlat(training.FlatPlan{Wires: 4, GoalCM: 130, YearlyCM: yearly, TiersAYear: 1, GrowthRatio: 1})
		require.NoError(t, err)
		was := plan.Frame(1, wires, 130, yearly)
		for life := 2; life <= plan.YearFull; life++ {
			now := plan.Frame(life, wires, 130, yearly)
			require.GreaterOrEqual(t, now.LeaderCM, was.LeaderCM)
			for i := range now.ArmCM {
				require.GreaterOrEqual(t, now.ArmCM[i], was.ArmCM[i], "no arm shrinks")
				require.LessOrEqual(t, now.ArmCM[i], 130.0)
				require.True(t, now.Lies[i] || !was.Lies[i], "an arm that lies stays down")
			}
			was = now
		}
		for i := range was.ArmCM {
			require.InDelta(t, 130, was.ArmCM[i], 1e-9, "in its full year every arm is at its goal")
			require.True(t, was.Lies[i])
		}
		frames := plan.Frames(3, wires, 130, yearly)
		require.LessOrEqual(t, len(frames), 4)
		require.Equal(t, plan.YearFull, frames[len(frames)-1].Life)
	}
}

func TestAStickBetweenTwoLimbsMovesBothApartAndDown(t *testing.T) {
	bridged := 0
	for seed := range uint64(6) {
		doc, err := growth.Draw(growth.SketchInput{Species: "apple", Form: pomology.OpenVase, Age: 4, TrunkMM: 60, HeightCM: 210, SpreadCM: 120, Scaffolds: 4, Seed: seed, Year: 2027, Season: limb.Dormant})
		require.NoError(t, err)
		m, err := limb.Check(doc)
		require.NoError(t, err)
		list := training.ToBend(m)
		for _, i := range list {
			for _, j := range list {
				b, err := training.BridgeLimbs(m, i, j, 40, 60)
				if err != nil {
					var fs given.Faults
					require.ErrorAs(t, err, &fs)
					require.Equal(t, "between", fs[0].Field)
					continue
				}
				bridged++
				require.NotEqual(t, i, j)
				require.GreaterOrEqual(t, b.ApartDeg, 75.0)
				require.Greater(t, b.StickCM, b.GapCM, "%s and %s are pushed apart", b.Limb, b.Partner)
				require.Greater(t, b.PartnerTo, b.PartnerNow, "the other comes down too")
				more, err := training.BridgeLimbs(m, i, j, 40, 70)
				require.NoError(t, err)
				require.Greater(t, more.StickCM, b.StickCM, "a flatter limb asks for a longer stick")
			}
		}
	}
	require.Greater(t, bridged, 10)
}

func TestATrialNeedsAnArmLeftAlone(t *testing.T) {
	zone := func(buds, broke int) []training.TrialZone {
		return []training.TrialZone{{Zone: "low", Buds: buds, Broke: broke}}
	}
	log := training.TrialLog{Arms: []training.TrialArm{{Tag: "red", What: "notched", Zones: zone(12, 11)}}}
	_, err := training.ReadArms(log)
	require.ErrorContains(t, err, "untreated")
	log.Arms = append(log.Arms, training.TrialArm{Tag: "bare", What: training.Untreated, Zones: zone(12, 1)})
	rs, err := training.ReadArms(log)
	require.NoError(t, err)
	require.Len(t, rs, 2, "in all, and low down")
	require.Equal(t, "helps", rs[0].Verdict)
	log.Arms[0].Zones = zone(5, 6)
	_, err = training.ReadArms(log)
	require.ErrorContains(t, err, "broke")
}

// TestAnArmItsOwnerWantsIsTaken: of shoots that would do, the one that is wanted is laid, and none that is ruled out.
func TestAnArmItsOwnerWantsIsTaken(t *testing.T) {
	r := rand.New(rand.NewPCG(5, 8))
	moved := 0
	for range 300 {
		in := training.WireArms{Species: "pear", WiresCM: []float64{60}, AlongDeg: 90}
		for i := range 6 {
			in.Candidates = append(in.Candidates, training.ArmCandidate{
				ID: fmt.Sprint("k", i), HeightCM: 47 + 12*r.Float64(), AzimuthDeg: float64(90+180*(i%2)) + 30*r.Float64() - 15, AngleDeg: 40 + 30*r.Float64(), LengthCM: 60 + 40*r.Float64(), DiameterMM: 8 + 4*r.Float64(), Fault: "none",
			})
		}
		was, err := training.ChooseArms(in)
		require.NoError(t, err)
		if was.Wires[0].A == nil || was.Wires[0].B == nil {
			continue
		}
		for i := range in.Candidates {
			c := &in.Candidates[i]
			side := func(a training.Arms) *string {
				if i%2 == 0 {
					return a.Wires[0].A
				}
				return a.Wires[0].B
			}
			c.Keep = true
			kept, err := training.ChooseArms(in)
			require.NoError(t, err)
			c.Keep, c.Fault = false, "bad"
			out, err := training.ChooseArms(in)
			require.NoError(t, err)
			c.Fault = "none"
			if got := side(kept); got != nil && *got == c.ID {
				if *side(was) != c.ID {
					moved++
				}
			} else { // it cannot be an arm of this wire at all
				require.NotEqual(t, c.ID, *side(was))
			}
			if got := side(out); got != nil {
				require.NotEqual(t, c.ID, *got)
			}
		}
	}
	require.NotZero(t, moved)
}
