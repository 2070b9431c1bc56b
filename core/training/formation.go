package training

import (
	"math"
	"slices"

	"vertumna/core/num"
	"vertumna/core/pomology"
)

// Young is a tree that is formed, with what its owner's school says of its frame. Lengths in cm, angles from the vertical.
type Young struct {
	Kind     *pomology.Kind
	Form     pomology.FormSlug
	Class    pomology.VigourClass
	Age      int // growing seasons begun: 1 in its first, 0 before it is planted
	Branched bool
	HeightCM float64 // as it stands; 0 unknown
	Bounds           // of its height
	LowerCM  float64 // by how much the school heads lower than the form
	FirstCM  float64 // height of the first limb by the school; 0: the form's
	Least    int     // scaffolds wanted by the school; 0: the form's
	Most     int
	AimDeg   float64 // of its limbs
	AtReach  bool    // the leader of a modified leader stops at reach only
	KeepTop  bool    // the school takes almost nothing from a branched tree in its first year
	Trailing bool    // its winters are deep: it is planted and headed when the worst is over
	WiresCM  []float64
	GoalCM   float64 // how long an arm or rib shall be
	YearlyCM float64 // how far it grows a year
	Bears    int     // seasons until it may bear
	Built    []Built
}

// Built is a step that was made: logged, or seen on the map.
type Built struct {
	What StepKind
	Year int // of the tree's life; 0: some time
	Tier int // 0: whichever
}

// StepKind names a step of formation.
type StepKind string

// The steps.
const (
	Plant       StepKind = "plant"
	Head        StepKind = "head"         // to the height of the form
	LeaveTop    StepKind = "keep-top"     // not headed in its first year, by school
	Wake        StepKind = "wake"         // notch low buds
	OneLeader   StepKind = "one-leader"   // of the shoots at the top one leads, its rivals are pinched
	EvenOut     StepKind = "even-out"     // the strongest shoot is pinched back to its fellows
	Level       StepKind = "level"        // a low bush is cut back evenly at midsummer
	StripFruit  StepKind = "strip-fruit"  // a tree that still builds carries none
	Spread      StepKind = "spread"       // bend the candidates before choosing
	Choose      StepKind = "choose"       // the scaffolds
	ShortenAll  StepKind = "shorten-all"  // scaffolds by a part, to an outward bud
	Seconds     StepKind = "secondaries"  // two or three on each scaffold
	NextTier    StepKind = "next-tier"    // head the leader where the next tier shall start
	ChooseTier  StepKind = "choose-tier"  // its limbs
	StopAt      StepKind = "stop-leader"  // above the top scaffold, or at reach
	HeadWire    StepKind = "head-wire"    // just over the next wire
	RaiseArms   StepKind = "raise-arms"   // two arms rising at 45 degrees, a leader upright
	LayArms     StepKind = "lay-arms"     // tie the stiff one first, then the other; the spare goes when both hold
	EndArms     StepKind = "end-arms"     // stopped at their length
	EndLeader   StepKind = "end-leader"   // just above the last pair
	TwoRibs     StepKind = "two-ribs"     // of a fan, to the left and right
	MoreRibs    StepKind = "more-ribs"    // each rib shortened makes two or three
	Over        StepKind = "bend-over"    // a whip along its wire
	Stems       StepKind = "stems"        // of a shrub
	FrameStands StepKind = "frame-stands" // from here on the slip leads
	Hold        StepKind = "hold"         // at reach, by the solstice cut
	ThickSides  StepKind = "thick-sides"  // of a slim leader: off, so that thin ones follow
	LaySides    StepKind = "lay-sides"    // of a slim leader: level
)

// Step is one step of a tree's formation.
type Step struct {
	Year   int    // of its life
	When   string // planting, winter, bud-break, solstice, slowing, season
	What   StepKind
	CM     float64 // a height or length, where the step has one
	HighCM float64 // the upper end of a window
	Count  int
	Most   int
	Deg    float64
	Tier   int // of tiers and wires, from 1
	Share  float64
	State  string // done, now, ahead, missed, or past: overtaken by time, and no loss
	Second string // what still can be done where it was missed
}

// Way is a tree's whole formation.
type Way struct {
	Steps  []Step
	Stands int // the year in which the frame stands
	Tiers  []Tier
	Warns  []string // W_ONE_TIER, W_NOT_REACHABLE
	CapCM  float64
	Cap    string // what binds its height
	StopCM float64
}

// WNotReachable says that a form cannot be finished within reach.
const WNotReachable = "W_NOT_REACHABLE"

// Formation numbers of our own: parts of a shoot taken, heights over the next tier, where secondaries start (est.).
const (
	shortenThird  = 1.0 / 3
	overTierCM    = 10
	secondsFromCM = 45
	secondsToCM   = 70
	seconds       = 2
	levelOverCM   = 25
	ribStartCM    = 45
	frameYears    = 4
	tipsAt45      = 45
	apartOnTrunk  = 20
	fanRibs       = 8
	fourArms      = 4
	slimFootCM    = 60
	slimSides     = 8
	slimMostSides = 12
	slimThick     = 0.5 // of the leader beside it: what is thicker is renewed
)

// FormationOf is a tree's way from planting to its bearing frame, year by year, with what was done, what is due in the year it is in,
// and the second best where a step was missed. Cost: its steps.
func FormationOf(y Young) Way {
	w := &forming{y: y}
	c := y.capped()
	w.CapCM, w.Cap = c.CapCM, c.Binding
	switch y.Form {
	case pomology.CentralLeader:
		w.tiers()
	case pomology.SlimLeader:
		w.slim()
	case pomology.ModifiedLeader:
		w.modified()
	case pomology.WireTiers:
		w.wires()
	case pomology.StepOver:
		w.stepOver()
	case pomology.FlatFan:
		w.fan()
	case pomology.Shrub:
		w.shrub()
	default:
		w.open()
	}
	w.states()
	return w.Way
}

// forming is a way in the making.
type forming struct {
	Way
	y Young
}

func (w *forming) add(s Step) { w.Steps = append(w.Steps, s) }

// headForm is the form as the planting model knows it.
func headForm(f pomology.FormSlug) string {
	switch f.Frame() {
	case pomology.LowBush, pomology.CentralLeader, pomology.ModifiedLeader, pomology.StepOver:
		return string(f.Frame())
	case pomology.WireTiers:
		return "tiers"
	case pomology.FlatFan:
		return "fan"
	}
	return "open-vase"
}

// What young trees are told by (training.md#a-planting_cut): heights and distances in cm.
const (
	usualWireCM, usualFootCM = 40, 45
	nurseryCM                = 140 // as nurseries send them
	wakeCM, wakeBuds         = 45, 4
	tierDepthCM              = 45
	stopBelowCM, endBelowCM  = 5, 6
	headUnderCM, headOverCM  = 2, 8
	fanLowDeg, fanSteepDeg   = 80, 20
	fanEndsCM, fanMostASide  = 30, 6
	fanShootsCM              = 12.5
	mostStems                = 6
)

// HeadingFor is the planting cut of a form for a whip or branched tree, before any bud is looked at; height is the tree's, 0 where it
// was not measured. lower is by how much a school heads lower.
func HeadingFor(form pomology.FormSlug, branched bool, heightCM, firstWireCM, lowerCM float64, buds []PlantingBud) (Heading, error) {
	in := PlantingCut{Form: headForm(form), Material: "whip", HeightCM: heightCM, GraftCM: 10, FirstWireCM: usualWireCM, Buds: buds, lower: lowerCM}
	if branched {
		in.Material = "branched"
	}
	if heightCM <= 0 {
		in.HeightCM = nurseryCM
	}
	if firstWireCM > 0 {
		in.FirstWireCM = firstWireCM
	}
	return HeadAtPlanting(in)
}

// start is what all forms begin with: planted, headed, and its fruit taken until it may bear.
func (w *forming) start() {
	y := w.y
	w.add(Step{Year: 1, When: "planting", What: Plant})
	first := 0.0
	if len(y.WiresCM) > 0 {
		first = y.WiresCM[0]
	}
	h, err := HeadingFor(y.Form, y.Branched, 0, first, y.LowerCM, nil)
	switch {
	case err != nil:
	case y.Branched && y.KeepTop && !w.flat():
		w.add(Step{Year: 1, When: "planting", What: LeaveTop, CM: h.NominalCM})
	case y.Form != pomology.StepOver:
		w.add(Step{Year: 1, When: "planting", What: Head, CM: h.LowCM, HighCM: h.HighCM, Count: plantingForms[headForm(y.Form)].wanted})
	}
	for year := 1; year <= min(max(y.Bears, 2), frameYears); year++ {
		w.add(Step{Year: year, When: "season", What: StripFruit})
	}
}

func (w *forming) flat() bool {
	return w.y.Form == pomology.WireTiers || w.y.Form == pomology.FlatFan || w.y.Form == pomology.StepOver
}

// many are the scaffolds wanted, within what the form takes.
func (w *forming) many(form string) (least, most int) {
	f := scaffoldForms[form]
	least, most = f.least, f.most
	if w.y.Least > 0 && !f.leader {
		least, most = max(f.least, min(w.y.Least, f.most)), max(f.least, min(w.y.Most, f.most))
	} else if w.y.Least > 0 {
		least, most = max(3, w.y.Least), max(w.y.Least, w.y.Most)
	}
	return least, most
}

func (w *forming) open() {
	w.start()
	form := "open-vase"
	bush := w.y.Form == pomology.LowBush
	if bush {
		form = "low-bush"
	}
	least, most := w.many(form)
	if w.y.Form == pomology.FourArm {
		least, most = fourArms, fourArms
	}
	head := plantingForms[form].whip - w.y.LowerCM
	if bush {
		w.add(Step{Year: 1, When: "solstice", What: Level, CM: head + levelOverCM})
	} else {
		w.add(Step{Year: 1, When: "solstice", What: EvenOut})
	}
	w.add(Step{Year: 2, When: "winter", What: Spread, Deg: w.y.AimDeg})
	w.add(Step{Year: 2, When: "bud-break", What: Choose, Count: least, Most: most, CM: w.firstLimb(form)})
	w.add(Step{Year: 2, When: "bud-break", What: ShortenAll, Share: shortenThird})
	if bush {
		w.add(Step{Year: 2, When: "solstice", What: Level, CM: head + 2*levelOverCM})
	} else {
		w.add(Step{Year: 2, When: "slowing", What: Spread, Deg: w.y.AimDeg})
	}
	w.add(Step{Year: 3, When: "winter", What: Seconds, Count: seconds, Most: seconds + 1, CM: secondsFromCM, HighCM: secondsToCM})
	w.add(Step{Year: 3, When: "solstice", What: Hold, CM: math.Min(w.CapCM, formHeight(w.y.Form))})
	w.end(frameYears)
}

func (w *forming) end(year int) {
	w.add(Step{Year: year, When: "winter", What: FrameStands})
	w.Stands = year
}

func formHeight(f pomology.FormSlug) float64 {
	if form, err := pomology.FormBySlug(f); err == nil {
		return 100 * form.HeightM
	}
	return math.Inf(1)
}

func (w *forming) firstLimb(form string) float64 {
	if w.y.FirstCM > 0 {
		return w.y.FirstCM
	}
	return scaffoldForms[form].firstLow
}

// spreadOf is half the width of the form at the tree's vigour, cm.
func (w *forming) halfWidth() float64 {
	size, _, _ := w.y.Kind.SizeFor(w.y.Class)
	form, err := pomology.FormBySlug(w.y.Form)
	if err != nil {
		return 100
	}
	return math.Max(goalsCM.least, 100*size.SpreadM*form.WidthShare/2)
}

func (w *forming) tiers() {
	w.start()
	w.add(Step{Year: 1, When: "bud-break", What: Wake, CM: wakeCM, HighCM: 2 * wakeCM, Count: wakeBuds})
	w.add(Step{Year: 1, When: "solstice", What: OneLeader})
	least, most := w.many("central-leader")
	in := Tiers{Bounds: w.y.Bounds, Vigour: string(w.class()), FirstHeightCM: firstLimbsCM.of(w.firstLimb("central-leader")), HalfWidthCM: goalsCM.of(w.halfWidth()), AngleDeg: aimsDeg.of(w.y.AimDeg)}
	stack, err := StackTiers(in)
	if err != nil {
		w.Warns = append(w.Warns, WNotReachable)
		w.end(frameYears)
		return
	}
	w.Tiers, w.Warns = stack.Tiers, stack.Warnings
	for i, t := range stack.Tiers {
		year := 2 + i
		w.add(Step{Year: year, When: "winter", What: Spread, Deg: w.y.AimDeg, Tier: i + 1})
		what := ChooseTier
		if i == 0 {
			what = Choose
		}
		w.add(Step{Year: year, When: "bud-break", What: what, Count: least, Most: most, CM: t.HeightCM, HighCM: t.HeightCM + tierDepthCM, Tier: i + 1})
		if i < len(stack.Tiers)-1 {
			next := stack.Tiers[i+1].HeightCM
			w.add(Step{Year: year, When: "bud-break", What: NextTier, CM: next + overTierCM, HighCM: next + 2*overTierCM, Tier: i + 2})
			w.add(Step{Year: year, When: "solstice", What: OneLeader})
		}
	}
	last := 2 + len(stack.Tiers)
	w.StopCM = stack.CapCM
	w.add(Step{Year: last, When: "winter", What: StopAt, CM: stack.CapCM - stopBelowCM, HighCM: stack.CapCM})
	w.end(last)
}

func (w *forming) class() pomology.VigourClass {
	if _, ok := tierSpacing[string(w.y.Class)]; ok {
		return w.y.Class
	}
	return "semi-dwarfing"
}

func (w *forming) modified() {
	w.start()
	w.add(Step{Year: 1, When: "bud-break", What: Wake, CM: wakeCM, HighCM: 2 * wakeCM, Count: wakeBuds})
	w.add(Step{Year: 1, When: "solstice", What: OneLeader})
	least, most := w.many("modified-leader")
	low := w.firstLimb("modified-leader")
	w.add(Step{Year: 2, When: "winter", What: Spread, Deg: w.y.AimDeg})
	w.add(Step{Year: 2, When: "bud-break", What: Choose, Count: min(least, 3), Most: 3, CM: low, HighCM: low + 2*apartOnTrunk})
	top := low + float64(least-1)*apartOnTrunk
	if len(w.Steps) > 0 && least > 3 {
		w.add(Step{Year: 2, When: "bud-break", What: NextTier, CM: top + overTierCM, HighCM: top + 2*overTierCM, Tier: 2})
		w.add(Step{Year: 2, When: "solstice", What: OneLeader})
		w.add(Step{Year: 3, When: "bud-break", What: ChooseTier, Count: least - 3, Most: max(1, most-3), CM: low + 3*apartOnTrunk, HighCM: top, Tier: 2})
		w.add(Step{Year: 3, When: "slowing", What: Spread, Deg: w.y.AimDeg})
	}
	stop, err := StopLeader(LeaderStop{Bounds: w.y.Bounds, TopScaffoldCM: topLimbsCM.of(top)})
	step := Step{Year: frameYears, When: "winter", What: StopAt}
	switch {
	case err != nil:
	case w.y.AtReach:
		step.CM, step.HighCM = w.CapCM-stopBelowCM, w.CapCM
	default:
		step.CM, step.HighCM = stop.LowCM, stop.HighCM
		if !stop.Fits {
			w.Warns = append(w.Warns, WNotReachable)
		}
	}
	w.StopCM = step.HighCM
	w.add(step)
	w.end(frameYears)
}

// slim is one trunk with short side limbs all the way up: none is headed, thick ones are renewed, and the leader ends at reach.
func (w *forming) slim() {
	w.start()
	w.add(Step{Year: 1, When: "bud-break", What: Wake, CM: slimFootCM, HighCM: 2 * slimFootCM, Count: slimSides})
	w.add(Step{Year: 1, When: "solstice", What: OneLeader})
	for year := 2; year < frameYears; year++ {
		w.add(Step{Year: year, When: "winter", What: ThickSides, Share: slimThick, Count: slimSides, Most: slimMostSides, CM: slimFootCM, Tier: year - 1})
		w.add(Step{Year: year, When: "slowing", What: LaySides, Deg: levelDeg, Tier: year - 1})
	}
	w.StopCM = math.Min(w.CapCM, formHeight(w.y.Form))
	w.add(Step{Year: frameYears, When: "winter", What: StopAt, CM: w.StopCM - stopBelowCM, HighCM: w.StopCM})
	w.end(frameYears)
}

func (w *forming) wires() {
	w.start()
	y := w.y
	if len(y.WiresCM) == 0 {
		w.Warns = append(w.Warns, WNotReachable)
		w.end(frameYears)
		return
	}
	plan, err := PlanFlat(FlatPlan{Wires: min(mostWires, len(y.WiresCM)), GoalCM: goalsCM.of(y.GoalCM), YearlyCM: growthsCM.of(y.YearlyCM), TiersAYear: 1, GrowthRatio: 1})
	if err != nil {
		w.end(frameYears)
		return
	}
	for i, t := range plan.Tiers {
		wire := y.WiresCM[i]
		if i > 0 {
			w.add(Step{Year: t.Formed, When: "winter", What: HeadWire, CM: wire - headUnderCM, HighCM: wire + headOverCM, Count: 3, Tier: i + 1})
		}
		w.add(Step{Year: t.Formed, When: "season", What: RaiseArms, CM: wire, Count: 2, Deg: tipsAt45, Tier: i + 1})
		w.add(Step{Year: t.BaseLaid + 1, When: "winter", What: LayArms, CM: wire, Count: 2, Deg: levelDeg, Tier: i + 1})
		w.add(Step{Year: t.Full + 1, When: "winter", What: EndArms, CM: y.GoalCM, Tier: i + 1})
	}
	n := len(plan.Tiers)
	w.add(Step{Year: plan.Tiers[n-1].Formed + 1, When: "winter", What: EndLeader, CM: y.WiresCM[n-1] - endBelowCM, HighCM: y.WiresCM[n-1] + 1, Tier: n})
	w.end(plan.YearFull + 1)
}

func (w *forming) stepOver() {
	w.start()
	wire := float64(usualWireCM)
	if len(w.y.WiresCM) > 0 {
		wire = w.y.WiresCM[0]
	}
	w.add(Step{Year: 1, When: "bud-break", What: Over, CM: wire})
	w.add(Step{Year: 1, When: "season", What: RaiseArms, CM: wire, Count: 2, Deg: tipsAt45, Tier: 1})
	years := goalsCM.of(w.y.GoalCM) / math.Max(1, w.y.YearlyCM)
	base, full := 1+int(num.Ceil(layFrom*years)), 1+int(num.Ceil(years))
	w.add(Step{Year: base, When: "winter", What: LayArms, CM: wire, Count: 2, Deg: levelDeg, Tier: 1})
	w.add(Step{Year: full, When: "winter", What: EndArms, CM: w.y.GoalCM, Tier: 1})
	w.end(full)
}

func (w *forming) fan() {
	w.start()
	w.add(Step{Year: 1, When: "season", What: TwoRibs, Count: 2, Deg: tipsAt45})
	w.add(Step{Year: 2, When: "winter", What: MoreRibs, CM: ribStartCM, Count: fanRibs / 2})
	w.add(Step{Year: 3, When: "winter", What: MoreRibs, CM: 2 * ribStartCM, Count: fanRibs})
	ribs, err := SpreadFan(Fan{RibCM: ribsCM.of(w.y.GoalCM), LowDeg: fanLowDeg, SteepDeg: fanSteepDeg, EndSpacingCM: fanEndsCM, MostASide: fanMostASide, ShootSpacingCM: fanShootsCM})
	if err == nil && ribs.Ribs > fanRibs {
		w.add(Step{Year: frameYears, When: "winter", What: MoreRibs, CM: 3 * ribStartCM, Count: ribs.Ribs})
	}
	w.end(frameYears + 1)
}

func (w *forming) shrub() {
	w.add(Step{Year: 1, When: "planting", What: Plant})
	w.add(Step{Year: 1, When: "season", What: StripFruit})
	w.add(Step{Year: 3, When: "winter", What: Stems, Count: 4, Most: mostStems})
	w.end(frameYears)
}

// states tells of each step whether it is done, due this year, ahead or missed, and what is second best then.
func (w *forming) states() {
	slices.SortStableFunc(w.Steps, func(a, b Step) int {
		if a.Year != b.Year {
			return a.Year - b.Year
		}
		return order[a.When] - order[b.When]
	})
	for i := range w.Steps {
		s := &w.Steps[i]
		done := slices.ContainsFunc(w.y.Built, func(b Built) bool {
			return b.What == s.What && (b.Year == 0 || b.Year == s.Year) && (b.Tier == 0 || b.Tier == s.Tier)
		})
		switch {
		case done:
			s.State = "done"
		case s.Year > max(1, w.y.Age):
			s.State = "ahead"
		case s.Year == max(1, w.y.Age):
			s.State = "now"
		default:
			s.State = "missed"
			s.Second = secondBest[s.What]
			if s.Second == "" { // what time has overtaken is no loss
				s.State = "past"
			}
		}
	}
}

var order = map[string]int{"planting": 0, "winter": 1, "bud-break": 2, "season": 3, "solstice": 4, "slowing": 5}

// secondBest is the second best of a step that was missed; those not named here are overtaken by time.
var secondBest = map[StepKind]string{
	Head: "head-late", Wake: "wake-late", Choose: "choose-late", ChooseTier: "choose-late", ShortenAll: "shorten-late", Seconds: "seconds-late",
	Spread: "spread-late", NextTier: "tier-late", StopAt: "stop-late", HeadWire: "wire-late", LayArms: "lay-late", TwoRibs: "ribs-late",
	MoreRibs: "ribs-late", ThickSides: "sides-late", EndLeader: "stop-late", Stems: "stems-late",
}
