package words

import (
	"fmt"
	"math"

	"vertumna/core/training"
	"vertumna/core/yard"
)

// HardwareLine is a thing that wires want, with what the house has.
type HardwareLine struct {
	What    string `json:"what"`
	StandIn string `json:"stand_in"`
	Amount  string `json:"amount"`
}

// Hardware lists what a run of wires wants.
func (s Speaker) Hardware(w training.Wires, support string) []HardwareLine {
	out := []HardwareLine{
		{s.Own("Wire, 2 to 2.5 mm, galvanized"), "steel-core washing line", s.Amount(math.Round(w.WireM), "m")},
		{"Tensioners", "a loop and a stick to twist it", fmt.Sprint(w.Tensioners)},
		{"Soft loops", "bicycle tube, stocking", "as you tie"},
		{"Canes for arms that rise", "broom handles", "2 a wire"},
		{"End caps", "corks", fmt.Sprint(2 * w.Wires)},
	}
	if support == "posts" {
		return append(out, HardwareLine{"Posts", "squared timber", fmt.Sprintf("%d of %s, %s deep", w.Supports, s.Amount(math.Round(*w.PostLengthCM)/100, "m"), s.Tape(*w.PostDepthCM))}, HardwareLine{"Braces at the ends", "a buried log and wire", fmt.Sprint(w.Braces)})
	}
	return append(out, HardwareLine{s.Own("Eyes, 12 cm off the wall"), "hooks on battens", fmt.Sprint(w.Fixings)})
}

// WallLine is a step at the wall.
type WallLine struct{ Title, Says, Kind, Limb string }

// WallSteps are this season's steps at the wall in their order: ties before cuts, the stiffest first, a spare only when both hold.
func (s Speaker) WallSteps(f training.FlatTree) []WallLine {
	var out []WallLine
	laid := map[string]training.FlatArm{}
	for _, a := range f.Laid {
		laid[a.Limb] = a
	}
	sides := map[string]string{"a": Side(f.AlongDeg), "b": Side(math.Mod(f.AlongDeg+180, 360))}
	cm := func(x float64) string { return s.Tape(x) }
	for k, id := range f.Arms.TieOrder {
		a, ok := laid[id]
		if !ok {
			continue
		}
		says := fmt.Sprintf("%s long; tip tied up at 45°: what rises grows.", cm(a.LengthCM))
		title := fmt.Sprintf("Tie %s to the wire at %s, %s", id, cm(a.WireCM), sides[a.Side])
		switch a.State {
		case "lay_base":
			if a.Lies { // it was laid before: its end rises on
				continue
			}
			title = fmt.Sprintf("Lay %s on the wire at %s, %s", id, cm(a.WireCM), sides[a.Side])
			says = fmt.Sprintf(s.Own("%s on the wire, %s; the last 30 cm stay rising."), cm(a.LayCM), s.Amount(float64(len(a.Ties)), "loops"))
		case "finish":
			title = fmt.Sprintf("%s is finished, %s", id, sides[a.Side])
			says = fmt.Sprintf("It lies at %s: stop it there, tip down, and tie once more where it starts to point down.", cm(a.LayCM))
		}
		if k == 0 && len(f.Arms.TieOrder) > 1 && a.State != "finish" {
			says = "The stiffest first, while its spare still stands. " + says
		}
		for _, two := range f.Arms.TwoStages {
			if two == id {
				says += " In two stages: it would crack in one."
			}
		}
		switch a.Balance {
		case "lower_this":
			says += " It outgrows its partner: lay it lower."
		case "raise_this":
			says += " Its partner outgrows it: let it rise."
		}
		out = append(out, WallLine{title, says, "tie", id})
	}
	if len(f.Arms.Spare) > 0 {
		out = append(out, WallLine{"Spares " + list(f.Arms.Spare) + " off", "At the collar, once the arms are tied and hold: proof before the cut that cannot be undone.", "cut", f.Arms.Spare[0]})
	}
	if f.Arms.LeaderCutCM != nil && f.LeaderCM > *f.Arms.LeaderCutCM+5 {
		says := "Just above the top pair; one bud over it carries the leader on to the next wire."
		if f.Due {
			says = fmt.Sprintf("It has passed the wire at %s: three good buds under the cut make the next pair and the leader.", cm(f.NextWire))
		}
		out = append(out, WallLine{"Leader off at " + cm(*f.Arms.LeaderCutCM), says, "cut", ""})
	}
	for _, o := range f.Off {
		if o.Act == "off" {
			out = append(out, WallLine{fmt.Sprintf("%s off", o.Limb), fmt.Sprintf("%.0f° out of the plane: front and back shoots go.", o.Deg), "cut", o.Limb})
		} else {
			out = append(out, WallLine{fmt.Sprintf("Bring %s back", o.Limb), fmt.Sprintf("%.0f° out of the plane and still thin: tie it in by stages, or take it off.", o.Deg), "tie", o.Limb})
		}
	}
	if n := len(f.Shorten); n > 0 {
		out = append(out, WallLine{s.Amount(float64(n), "uprights") + " to " + cm(f.Shorten[0].ToCM), "Above a bud that looks along the wire.", "cut", f.Shorten[0].Limb})
	}
	return out
}

// Wall says how far a flat tree is.
func (s Speaker) Wall(f training.FlatTree, goal float64) []string {
	var out []string
	formed, on := 0, 0.0
	for _, w := range f.Arms.Wires {
		if len(w.Missing) == 0 {
			formed++
		}
	}
	for _, a := range f.Laid {
		on += a.LayCM
	}
	out = append(out, fmt.Sprintf("%d of %d wires have their pair; %s of %s of arm lie on them.", formed, len(f.WiresCM), s.Amount(on/100, "m"), s.Amount(2*goal*float64(len(f.WiresCM))/100, "m")))
	for _, w := range f.Arms.Wires {
		if len(w.Missing) == 1 && w.BudAtCM != nil {
			side := f.AlongDeg
			if w.Missing[0] == "b" {
				side = math.Mod(side+180, 360)
			}
			out = append(out, fmt.Sprintf("The wire at %s lacks its arm to the %s: wake a bud at %s.", s.Amount(w.WireCM, "cm"), Side(side), s.Tape(*w.BudAtCM)))
		}
	}
	if f.NextWire > 0 {
		if f.Due {
			out = append(out, fmt.Sprintf("The leader has passed the wire at %s: head it just above, for the next pair.", s.Amount(f.NextWire, "cm")))
		} else {
			out = append(out, fmt.Sprintf("Next is the wire at %s.", s.Amount(f.NextWire, "cm")))
		}
	}
	return out
}

// WallRun says how many trees a stretch of wall holds, at an arm's length to either side, m.
func (s Speaker) WallRun(r yard.Run, armM float64) string {
	all, more := r.Holds(armM)
	says := fmt.Sprintf("%s runs %s: room for %s of %s each; %s.", upper(r.Name), s.Amount(math.Round(10*r.LongM)/10, "m"), s.Amount(float64(all), "trees"), s.Amount(math.Round(20*armM)/10, "m"), standing(len(r.At)))
	switch {
	case more > 0:
		return says + fmt.Sprintf(" %d more would find room.", more)
	case len(r.At) > all:
		return says + " They will meet: hold their arms shorter, or cut one arm back to where its neighbour's ends."
	}
	return says
}

// Sill tells of a window behind a flat tree, from one place along its arms to another (cm, toward side a): which wires run below it.
func (s Speaker) Sill(sillCM float64, wires []float64, sideA, sideB string, from, to float64) string {
	where := "behind the trunk"
	switch {
	case from > 0:
		where = s.Amount(from, "cm") + " " + sideA + " of the trunk"
	case to < 0:
		where = s.Amount(-to, "cm") + " " + sideB + " of the trunk"
	}
	over := 0
	for _, w := range wires {
		if w > sillCM {
			over++
		}
	}
	says := fmt.Sprintf("A window begins %s, its sill at %s", where, s.Amount(sillCM, "cm"))
	switch over {
	case 0:
		return says + ": every wire runs below it."
	case 1:
		return says + ": end the wire above it beside the window, and lay no arm across the glass."
	}
	return says + fmt.Sprintf(": end the %d wires above it beside the window, and lay no arm across the glass.", over)
}

func standing(n int) string {
	if n == 1 {
		return "one stands there"
	}
	return fmt.Sprintf("%d stand there", n)
}

// WallYear says what a flat tree shows in a year of its life.
func WallYear(f training.FlatFrame, full int) string {
	pairs := 0
	for _, cm := range f.ArmCM {
		if cm > 0 {
			pairs++
		}
	}
	switch {
	case f.Life >= full:
		return "full"
	case f.Life <= 1:
		return "planted"
	case pairs == 1:
		return "first pair"
	}
	return fmt.Sprintf("%d pairs", pairs)
}
