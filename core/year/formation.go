package year

import (
	"strconv"
	"strings"

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

// forming says whether the tree's frame is still built: its steps stand where a grown tree has its cuts.
func (c *context) forming() bool { return c.formation != nil && c.age < c.formation.Stands }

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
