package words

import (
	"fmt"

	"vertumna/core/pomology"
	"vertumna/core/year"
)

// Checklist is what to look for, in the order of the work, in a cut on a tree that has no limb map: by its aim, its form, where it bears and
// what is left of its year. Empty for other jobs.
func (s Speaker) Checklist(t *year.Task, tp *year.TreePlan) []string {
	switch t.Kind {
	case year.DormantCut, year.SummerCut:
		return s.wholeCut(t, tp)
	case year.HeightCut, year.AutumnHeight:
		return []string{
			fmt.Sprintf("Mark %s on a stick and hold it to the tree: only what stands over it is looked at.", s.Height(100*tp.ReachM)),
			"Take each top back to a side shoot or bud that points outward, first this year's growth, then a little of last year's.",
			"Leave every fruit bud under the line, and nothing headed at one height all round.",
			s.stopAt(tp),
		}
	case year.RestrainCut:
		return []string{
			"Take whole uprights where they start, the strongest first, thumb-thick at most.",
			"Leave what fruits and what lies flat.",
			s.stopAt(tp),
		}
	}
	return nil
}

func (s Speaker) wholeCut(t *year.Task, tp *year.TreePlan) []string {
	tree := tp.Tree
	out := []string{"Stand back: what is too high, what is dark inside, what is broken or sick? Cut nothing yet."}
	if over := tree.HeightM - tp.ReachM; tree.HeightM > 0 && over > year.OverReachM {
		out = append(out, fmt.Sprintf("The top first: it stands %s over your reach. One or two tall limbs back to a lower one that points outward, at least a third as thick; the rest in other years.", s.Height(100*over)))
	} else {
		out = append(out, "The top first: is there one leader, or as many as the form has? A rival goes whole.")
	}
	out = append(out, "Sick, dead, broken and strained limbs, to clean wood; blades cleaned after each.")
	out = append(out, "Of two that cross or rub: keep the one that runs with the tree outward; the other goes whole, also when it is the thicker.")
	out = append(out, "What grows into the middle, what hangs, and shaded shoots on the under side of a limb: whole, until a hat could be thrown through.")
	if f, err := pomology.FormBySlug(tree.Form); err == nil && f.Flat {
		out[len(out)-1] = "What grows straight out from the wires or into the wall: whole; uprights on the arms to a finger's length."
	}
	out = append(out, "It bears on "+tree.Kind.Growth.Bearing.Habit().Wood+": "+tree.Kind.Growth.Bearing.Habit().Means+".")
	if t.Kind == year.SummerCut {
		out = append(out, "Only in dry weather, and no more than leaves the fruit in light shade.")
	}
	return append(out, s.stopAt(tp))
}

// stopAt tells when to stop: the share that is left of the year, as one can see it.
func (s Speaker) stopAt(tp *year.TreePlan) string {
	left := tp.Account.Left
	if tp.Account.Exempt {
		return "It is in formation: the limit does not bind, its frame does."
	}
	if left <= 0.005 {
		return "Your limit for the year is reached: only dead and sick wood now."
	}
	return fmt.Sprintf("Stop at %s of its live wood: about one branch in %.0f. Stand back again before the last cut.", s.Amount(left, "share"), max(2, 1/left))
}
