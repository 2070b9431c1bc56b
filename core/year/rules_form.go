package year

import (
	"slices"
	"strconv"
	"strings"

	"vertumna/core/almanac"
	"vertumna/core/pomology"
	"vertumna/core/training"
)

// formUntil is how old a tree may be and still be formed step by step; an older one is led by its slip (ours).
const formUntil = 9

// way is the tree's formation in the season; nil where its planting is unknown, it is grown, or it is not for this method.
func (c *context) way() *training.Way {
	if c.age < 1 || c.age > formUntil || c.tree.Aim == Retire || c.tree.Aim == Restore {
		return nil
	}
	y := c.young()
	w := training.FormationOf(y)
	return &w
}

// Young is a tree as its formation sees it, in the season shown.
func (c *context) young() training.Young {
	t := c.tree
	reach := 100 * c.reachM
	_, class, _ := t.Kind.SizeFor(t.Class)
	y := training.Young{
		Kind: t.Kind, Form: t.Form, Class: class, Age: c.age, Branched: !t.AsWhip, HeightCM: 100 * t.HeightM, Bounds: training.Bounds{ReachCM: &reach},
		AimDeg: c.limbAngle(), AtReach: c.school.Is("leader_stop", "reach"), KeepTop: c.school.Is("planting_cut", "almost-none"),
		Trailing: c.yard.Place.Climate.ColdWinter(), WiresCM: t.WiresCM, GoalCM: 100 * t.ArmM, YearlyCM: t.ShootCM, Bears: t.Kind.Crop.SeasonsToBear[class],
	}
	if y.Form == "" {
		y.Form = t.Kind.Forms[0]
	}
	if c.yard.RowDistanceM > 0 {
		row := 100 * c.yard.RowDistanceM
		y.RowDistanceCM = &row
	}
	if c.school.Is("first_limb", "knee") {
		y.LowerCM, y.FirstCM = kneeLessCM, kneeCM
	}
	switch c.school.Value("scaffolds") {
	case "3-5":
		y.Least, y.Most = 3, 5
	case "4-6":
		y.Least, y.Most = 4, 6
	case "tiers-of-4":
		y.Least, y.Most = 4, 4
	}
	if y.YearlyCM <= 0 {
		y.YearlyCM = t.Kind.Growth.ExtensionCM
	}
	if form, err := pomology.FormBySlug(y.Form); err == nil && form.Flat {
		flat := FlatUsual(t, reach)
		y.WiresCM, y.GoalCM = flat.WiresCM, flat.GoalCM
	}
	y.Built = c.built()
	return y
}

// The school's lowest head and first limb, cm.
const (
	kneeLessCM = 15
	kneeCM     = 40
)

// sillFreeCM: a wire and what grows on it ends so far below a window's sill; our estimate.
const sillFreeCM = 10

// usualWires are the wires a flat form gets where nobody said which it has, cm.
func usualWires(form pomology.FormSlug, reachCM float64) []float64 {
	first, step := 40.0, 30.0
	if form == pomology.StepOver {
		return []float64{first}
	}
	w, err := training.LayWires(training.WireLayout{RunCM: 300, TopLimitCM: max(60, min(400, reachCM)), FirstCM: first, StepCM: step, ClearanceCM: 15, Support: "wall", WireOffCM: 12, TrunkOffCM: 25})
	if err != nil {
		return []float64{first}
	}
	return w.HeightsCM
}

// stepOf is the step of formation that a kind of task, logged, has made; the rest are told by their task's key.
var stepOf = map[TaskKind][]training.StepKind{
	PlantingCut: {training.Plant, training.Head, training.LeaveTop}, Notching: {training.Wake}, Scaffolds: {training.Choose}, Bend: {training.Spread},
}

// built are the steps made, as logged.
func (c *context) built() (out []training.Built) {
	if c.tree.Planted.Known() {
		out = append(out, training.Built{What: training.Plant})
	}
	for _, e := range c.entries {
		if e.Kind != WorkEntry || e.Outcome != Done && e.Outcome != Part && e.Outcome != NothingNeeded {
			continue
		}
		at := c.tree.AgeIn(e.Season, c.south)
		for _, s := range stepOf[e.Task] {
			out = append(out, training.Built{What: s, Year: at})
		}
		if what, _, ok := stepInID(e.TaskID); ok {
			out = append(out, training.Built{What: what, Year: at})
		}
	}
	return append(out, c.tree.Built...)
}

// stepKey is how a step stands in its task's id.
func stepKey(s training.Step) string {
	if s.Tier > 0 {
		return string(s.What) + "-" + strconv.Itoa(s.Tier)
	}
	return string(s.What)
}

// stepInID reads it back.
func stepInID(id string) (training.StepKind, int, bool) {
	at := strings.LastIndexByte(id, '.')
	if at < 0 {
		return "", 0, false
	}
	name, tier := id[at+1:], 0
	if dash := strings.LastIndexByte(name, '-'); dash > 0 {
		if n, err := strconv.Atoi(name[dash+1:]); err == nil {
			name, tier = name[:dash], n
		}
	}
	_, known := formTasks[training.StepKind(name)]
	return training.StepKind(name), tier, known
}

// formTasks are the tasks that the steps of formation become; a step that is not here has a rule of its own.
var formTasks = map[training.StepKind]TaskKind{
	training.StripFruit: StripFruit,
	training.EvenOut:    FrameSummer, training.Level: FrameSummer, training.OneLeader: FrameSummer, training.Hold: FrameSummer,
	training.ShortenAll: FrameCut, training.Seconds: FrameCut, training.NextTier: FrameCut, training.StopAt: FrameCut, training.HeadWire: FrameCut, training.EndArms: FrameCut, training.EndLeader: FrameCut, training.MoreRibs: FrameCut, training.Stems: FrameCut, training.ThickSides: FrameCut,
	training.RaiseArms: TieArms, training.LayArms: TieArms, training.TwoRibs: TieArms, training.Over: TieArms,
	training.ChooseTier: Scaffolds, training.LaySides: Bend,
}

// forming says whether the tree's frame is still built: its steps stand where a grown tree has its cuts.
func (c *context) forming() bool { return c.formation != nil && c.age < c.formation.Stands }

// formation books the steps of the tree's frame that are due this year.
func formation(c *context) []draft {
	if c.formation == nil || c.tooSmall() {
		return nil
	}
	var out []draft
	for _, s := range c.formation.Steps {
		kind, ok := formTasks[s.What]
		if !ok || s.Year != c.age {
			continue
		}
		d := draft{kind: kind, key: stepKey(s), step: &s, reasons: []Reason{c.stepReason(s)}}
		if kind != StripFruit {
			d.cautions = []string{c.cleaning()}
		}
		c.stepWindow(&d, s)
		out = append(out, d)
	}
	return out
}

// trainFromM is how high a kind grows before its first training, metres: a fig that is cut or tied while small sulks (our estimate).
var trainFromM = map[string]float64{"fig": 1.2}

// smallUntil is the year of life until which a tree whose height nobody measured counts as small.
const smallUntil = 1

// tooSmall says whether a kind that is left to grow first has not grown enough.
func (c *context) tooSmall() bool {
	from := trainFromM[c.tree.Kind.Slug]
	if from == 0 || c.age > formationYears {
		return false // an older one is held low on purpose
	}
	if c.tree.HeightM > 0 {
		return c.tree.HeightM < from
	}
	return c.age <= smallUntil
}

// stepReason tells a step with its numbers.
func (c *context) stepReason(s training.Step) Reason {
	r := reason("form-"+string(s.What)).num(s.CM, "cm").over(s.HighCM)
	r.Step = &s
	return r
}

// stepWindow is when a step is made: in winter when its kind's wounds are safe, in growth by the solstice and the shoots.
func (c *context) stepWindow(d *draft, s training.Step) {
	bud := c.stage(almanac.BudBreak, 0)
	switch s.When {
	case "winter", "bud-break":
		switch {
		case d.kind == TieArms:
			d.opens, d.closes = c.at(LeafFallBefore, 0), c.stage(almanac.BudSwell, 0)
			d.cautions = append(d.cautions, "brittle-frost")
		case c.group() == pomology.Stone && c.school.Is("stone_cut", "dry-summer"):
			d.opens, d.closes = c.at(SummerSolstice, 0), c.at(SummerSolstice, 42)
			d.reasons = append(d.reasons, reason("stone-dry-summer").by("stone_cut", "dry-summer").num(c.yard.Place.Climate.WetDormancy, "share").over(0.33).said(c.school.Origin("stone_cut")))
		case c.group() == pomology.Stone:
			d.opens, d.closes = c.stage(almanac.BudSwell, 0), c.stage(almanac.FullBloom, 0)
		default:
			d.opens, d.closes = after(bud, -6*7), bud
		}
	case "solstice":
		d.opens, d.closes = c.at(SummerSolstice, 0), c.at(SummerSolstice, 28)
	case "slowing":
		slow := c.stage(almanac.ShootSlowing, 0)
		d.opens, d.closes = slow, after(slow, 28)
	default:
		d.opens, d.closes = c.at(Shoots10, 0), c.stage(almanac.ShootSlowing, 0)
		if d.kind == StripFruit {
			d.opens, d.closes = c.petalFall(), after(c.petalFall(), 42)
		}
	}
}

// Clocked is a device that is on with its clock.
type Clocked struct {
	training.OnTree
	training.Clock
}

// clocked are the devices on the tree on the day shown, with their clocks.
func (c *context) clocked() []Clocked {
	var acts []training.DatedAct
	add := func(e Entry, a training.RigAct) {
		acts = append(acts, training.DatedAct{RigAct: a, Day: int(e.Date)})
	}
	var plain []string // devices logged without one of their own
	for _, e := range c.entries {
		switch {
		case e.Kind != WorkEntry || e.Outcome != Done && e.Outcome != Part:
		case e.Rig != nil:
			add(e, *e.Rig)
		case e.Task == Bend:
			device := e.Device
			if device == "" {
				device = "tie"
			}
			plain = append(plain, e.ID)
			add(e, training.RigAct{Act: "on", Rig: training.Rig{ID: e.ID, Device: device}})
		case e.Task == CheckTies && e.TaskID != "":
			if id := rigInID(e.TaskID); id != "" {
				add(e, training.RigAct{Act: "look", Found: "sits", Rig: training.Rig{ID: id}})
			}
		case e.Task == TakeOff && e.Outcome == Done:
			id := rigInID(e.TaskID)
			if !slices.Contains(plain, id) && len(plain) > 0 {
				id = plain[0]
			}
			plain = slices.DeleteFunc(plain, func(p string) bool { return p == id })
			add(e, training.RigAct{Act: "off", Rig: training.Rig{ID: id}})
		}
	}
	bud, slow := c.a.Day(almanac.BudBreak.String()), c.a.Day(almanac.ShootSlowing.String())
	if !bud.Known() || !slow.Known() || slow <= bud {
		return nil
	}
	var out []Clocked
	gusts := c.gusts()
	for _, o := range training.ReplayRigs(acts) {
		o.Gusts = gusts
		o.BudBreak, o.Slowing, o.School = int(bud), int(slow), c.school.Value("bend_time")
		for o.OnDay > o.Slowing { // its clock runs from the spring that follows
			o.BudBreak, o.Slowing = o.BudBreak+365, o.Slowing+365
		}
		for o.OnDay < o.BudBreak-330 {
			o.BudBreak, o.Slowing = o.BudBreak-365, o.Slowing-365
		}
		if clock, err := training.ClockOf(o, int(c.shown)); err == nil {
			out = append(out, Clocked{o, clock})
		}
	}
	return out
}

// rigInID is the device that a task's id names.
func rigInID(taskID string) string {
	parts := strings.Split(taskID, ".")
	for i := 1; i+2 < len(parts); i++ {
		if k := TaskKind(parts[i]); k == CheckTies || k == TakeOff || k == ReleaseTest {
			return parts[i+2]
		}
	}
	return ""
}

// devices: every tie, spreader, weight and peg is looked at a week after it went on and monthly in growth, let go for a test before
// growth slows, and comes off; what is over its day stays until it is off.
func devices(c *context) []draft {
	var out []draft
	from, to := Rail(c.season, c.south)
	book := func(o Clocked, kind TaskKind, n int, day almanac.Day, days int, why string) {
		if day > to || day < from && kind != TakeOff {
			return
		}
		at := logged(day, 0)
		r := at.reason(why).said(o.Device)
		r.Rig = &o
		if why == "device-gust" {
			r.Day = day - 1 // the wind blew the day before
		}
		if kind == TakeOff {
			r = r.by("bend_time", o.School)
			r.Rig = &o
		}
		d := draft{kind: kind, key: o.ID, n: n, opens: at, closes: after(at, days), reasons: []Reason{r}}
		if o.Bends() && o.Device != "clothespin" {
			d.cautions = []string{"springs"}
		}
		out = append(out, d)
	}
	for _, o := range c.rigs {
		if o.LoopState == "tight" {
			book(o, CheckTies, 99, c.shown, 3, "device-tight")
		}
		windy := 0
		for i, k := range o.Checks {
			why := map[string]string{"settle": "device-settles", "monthly": "device-monthly", "gust": "device-gust"}[k.Reasons[0]]
			n, days := i+1-windy, 7
			if k.Reasons[0] == "gust" { // its number is its day: those that come each in their turn keep theirs
				windy++
				n, days = k.Day, afterGusts
			}
			book(o, CheckTies, n, almanac.Day(k.Day), days, why)
		}
		if o.TestDay > 0 {
			book(o, ReleaseTest, 0, almanac.Day(o.TestDay), 14, "device-test")
		}
		if o.Moved > 0 {
			book(o, CheckTies, 98, almanac.Day(o.Moved), 14, "device-move")
		}
		if o.RenewBy > 0 && (o.Bound == "material" || o.Standing()) {
			book(o, CheckTies, 97, almanac.Day(o.RenewBy), 28, "device-worn")
		}
		off := almanac.Day(o.OffDay)
		if due := max(off, c.shown); !o.Standing() && due >= from && due <= to { // while it is on it is never over: it stands in the running year
			book(o, TakeOff, 0, off, max(28, int(c.shown-off)+7), "device-set")
		}
	}
	return out
}

// locked are the limbs that a device bends: no cut while it is on.
func (c *context) locked() (n int) {
	for _, o := range c.rigs {
		if !o.Standing() {
			n++
		}
	}
	return n
}

// FlatUsual is what is taken for a flat tree where nobody said: its wires under reach, the length of its arms, its yearly growth. cm.
func FlatUsual(t *Tree, reachCM float64) training.Young {
	size, _, _ := t.Kind.SizeFor(t.Class)
	y := training.Young{WiresCM: t.WiresCM, GoalCM: 100 * t.ArmM, YearlyCM: t.ShootCM}
	form, err := pomology.FormBySlug(t.Form)
	if err == nil && y.GoalCM <= 0 {
		y.GoalCM = max(60, 50*size.SpreadM*form.WidthShare)
	}
	if t.SillCM > 0 {
		reachCM = min(reachCM, t.SillCM-sillFreeCM)
	}
	if len(y.WiresCM) == 0 {
		y.WiresCM = usualWires(t.Form, reachCM)
	}
	if y.YearlyCM <= 0 {
		y.YearlyCM = t.Kind.Growth.ExtensionCM
	}
	return y
}
