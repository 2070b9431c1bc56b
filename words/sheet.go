package words

import (
	"fmt"

	"vertumna/core/walk"
	"vertumna/core/year"
)

// carries are what a job wants beside the tools of its cuts.
var carries = map[year.TaskKind][]string{
	year.Bend: {"soft band", "cord", "pegs"}, year.CheckTies: {"soft band"}, year.TieArms: {"soft band", "canes"}, year.TakeOff: {"knife"}, year.ReleaseTest: {"soft band"},
	year.Thin: {"bucket", "counter"}, year.SecondLook: {"bucket"}, year.HarvestTask: {"crates", "scales"}, year.Bag: {"bags"}, year.Prop: {"props", "soft band"},
	year.GraftWood: {"bag with damp sawdust", "labels"}, year.Graft: {"graft knife", "tape", "wax"}, year.Paint: {"white paint", "brush"}, year.Notching: {"knife", "wool to mark"},
	year.PlantingCut: {"hand pruner", "label"}, year.Scaffolds: {"hand pruner", "folding saw"}, year.FrameCut: {"hand pruner"}, year.FrameSummer: {"hand pruner"}, year.GiveMulch: {"mulch"},
	year.GiveStake: {"stake", "mallet", "soft band"}, year.GiveWires: {"wires", "eyes", "tensioners"}, year.YoungCare: {"hoe", "watering can"}, year.FrostCount: {"knife"}, year.MeasureHeight: {"staff"},
}

// CarryFor lists what a job wants carried.
func CarryFor(k year.TaskKind) []string { return carries[k] }

// Ladder says for which trees a pole or ladder is needed, and what the day is without; empty where none is.
func Ladder(codes []string) string {
	if len(codes) == 0 {
		return ""
	}
	return fmt.Sprintf("Cuts above your fingertips on %s: a pole saw from the ground, or a ladder on firm ground and not alone. Without either, leave these cuts; the rest of the day stands.", list(codes))
}

// CleanNext says what is cleaned before the next tree.
func CleanNext(school string, health int) string {
	switch {
	case health > 0:
		return "Sick wood: blade and bar with alcohol before anything else is touched; what was cut leaves the plot."
	case school == "every-cut":
		return "Blade with alcohol, as after every cut."
	}
	return "Blade with alcohol, then on."
}

// StopFacts are what matters at a tree today: its aim, its account, its height.
func (s Speaker) StopFacts(tp *year.TreePlan) []string {
	out := []string{"Aim: " + s.Aim(tp.Aim) + "."}
	if h := tp.Tree.HeightM; h > 0 {
		over := h - tp.ReachM
		switch {
		case over > year.OverReachM:
			out = append(out, fmt.Sprintf("%s high, %s above reach.", s.Height(100*h), s.Amount(over, "m")))
		default:
			out = append(out, fmt.Sprintf("%s high, within reach.", s.Height(100*h)))
		}
	}
	return append(out, s.Account(tp.Account))
}

// harms are what leaving a job out costs, by how much harm that does.
var harms = [...]string{"nothing is lost", "a little is lost", "it costs this year", "what is lost is lost for good"}

// Costs says what it costs to leave a job out today.
func (s Speaker) Costs(t *year.Task) string {
	facts, _ := t.Kind.Facts()
	return fmt.Sprintf("Until %s; if it is missed, %s.", s.Day(t.Window.Closes.Day), harms[min(len(harms)-1, max(0, facts.Harm))])
}

// OnBody says a height on a person's body: at the chin, one hand under the fingertips. Empty without marks.
func OnBody(marks []walk.Mark, cm float64) string {
	name, hands, ok := walk.Against(marks, cm)
	if !ok {
		return ""
	}
	where := "over"
	if hands < 0 {
		where, hands = "under", -hands
	}
	many := map[float64]string{0.5: "half a hand", 1: "one hand", 1.5: "a hand and a half", 2: "two hands", 3: "three hands", 4: "four hands"}[hands]
	switch {
	case hands == 0:
		return "at your " + name
	case many == "":
		many = trim(hands, 1) + " hands"
	}
	return many + " " + where + " your " + name
}
