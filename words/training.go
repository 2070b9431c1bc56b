package words

import (
	"fmt"
	"math"

	"vertumna/core/pomology"
	"vertumna/core/training"
)

// TrainingSafety are the cautions of bending and tying.
func (s Speaker) TrainingSafety() []string {
	return []string{
		"Eyes covered: sticks and wires spring when they come loose. Cap the ends of wires and stakes, flag cords at shin and neck.",
		"Never stand under a weighted limb; weights low and soft. Hold the fork with one hand while you bend.",
		"No bending below " + s.Amount(-4, "C") + " nor of cracked limbs. No ladder for spreading. Cut wires slack; drill clear of cables and pipes.",
		"Knife away from the thumb.",
		LocalRules,
	}
}

// ScaffoldTerm and ScaffoldFault name a term of the choice, and why a shoot was refused.
func ScaffoldTerm(t string) string { return scaffoldTerms[t] }

// ScaffoldFault says why a shoot was refused.
func ScaffoldFault(r string) string { return scaffoldFaults[r] }

// Bend says how a limb is bent, and what limits it.
func (s Speaker) Bend(p training.BendPlan) []string {
	var out []string
	if p.Device.Device == "none" || p.Device.Device == "wait" {
		return append(out, s.DeviceWhy(p.Device.Why))
	}
	deg := func(x float64) string { return fmt.Sprintf("%.0f°", math.Floor(x+1e-9)) }
	if p.Bend != nil {
		cm := s.Tape(p.ContactCM)
		switch {
		case p.Bend.Stages == nil:
			out = append(out, fmt.Sprintf("%s thick, held at %s: past %s it may crack, and %s would take more than two stages. Go to %s and stop there, cut it back, or leave it.", s.Amount(p.DMM, "mm"), cm, deg(p.SafeDeg), deg(p.ToDeg), deg(p.TodayDeg)))
		case *p.Bend.Stages > 1:
			out = append(out, fmt.Sprintf("%s thick, held at %s: past %s it may crack. Two stages: %s today, %s after %s.", s.Amount(p.DMM, "mm"), cm, deg(p.SafeDeg), deg(p.TodayDeg), deg(p.ToDeg), plural(p.Bend.WeeksBetween, "week")))
		case p.ToDeg > p.NowDeg:
			out = append(out, fmt.Sprintf("%s thick, held at %s: safe to %s today. Stop where it resists, whatever the number says.", s.Amount(p.DMM, "mm"), cm, deg(math.Min(p.SafeDeg, 175))))
		}
		for _, w := range p.Bend.Warnings {
			if w == training.WHeavy && p.Device.Device == "weight" {
				out = append(out, "The weight would be over "+s.Amount(5, "kg")+": take a spreader or a tie.")
			}
		}
	}
	if p.Cord != nil {
		for _, w := range p.Cord.Warnings {
			switch w {
			case training.WWeakPull:
				out = append(out, fmt.Sprintf("From there the cord pulls along the limb: best is %s out.", s.Tape(p.Cord.IdealPegCM)))
			case training.WPeg:
				out = append(out, "A stake of "+s.Amount(40, "cm")+" would pull out: use the foot of the trunk, or two stakes.")
			}
		}
	}
	if p.Stick != nil {
		out = append(out, fmt.Sprintf("Each centimetre longer opens it by %.1f°.", p.Stick.PerCMDeg))
		if len(p.Stick.Warnings) > 0 {
			out = append(out, "It stands slanting and may slip: notch its ends, or move it up the trunk.")
		}
	}
	if p.Widens > 5 {
		out = append(out, fmt.Sprintf("Its tip comes %s further out: a stronger crotch, fruit sooner, light in the middle.", s.Tape(p.Widens)))
	}
	if p.Set != nil && p.Set.Bound == "school" {
		out = append(out, "Your school takes it off before the wood has set: look whether it springs back over 10°, and put it on again elsewhere.")
	}
	return out
}

// Heading says where a tree is headed on planting day.
func (s Speaker) Heading(h training.Heading, y training.Young) []string {
	var out []string
	cm := func(x float64) string { return s.Tape(x) }
	switch {
	case y.Branched && y.KeepTop:
		out = append(out, "Your school leaves its top this year: shorten only what broke.")
	case h.Action == "leave":
		out = append(out, fmt.Sprintf("It is no taller than the cut at %s: let it grow, and head it next winter.", cm(h.NominalCM)))
	case h.Bud != nil:
		out = append(out, fmt.Sprintf(s.slope("Head it at %s, %s above bud %s, sloped away from it; %s under it for the limbs."), s.Tape(*h.CutCM), s.Amount(6, "mm"), *h.Bud, s.Amount(float64(*h.BudsBelow-1), "buds")))
	default:
		out = append(out, fmt.Sprintf("Head it between %s and %s, above three or four strong buds that look all ways.", cm(h.LowCM), cm(h.HighCM)))
	}
	for _, w := range h.Warnings {
		switch w {
		case training.WGraft:
			out = append(out, "The graft stands high: the cut is raised clear of it.")
		case training.WNoBud:
			out = append(out, "No sound bud in that stretch: cut there all the same, the nearest below will lead.")
		case training.WFewBuds:
			out = append(out, "Few buds under the cut: notch one on the empty side in spring.")
		case training.WOneSided:
			out = append(out, "The buds under it look one way: turn the tree as you plant it so that they face the wind, and notch the other side.")
		}
	}
	if y.Branched && h.Action == "cut" && !y.KeepTop {
		out = append(out, "Keep its side shoots that stand at 45° or wider below the cut, each shortened by a third to an outward bud; the rest off at the collar.")
	}
	return append(out, "Roots lost in lifting cannot feed a long top, and the low cut is what makes a low tree.")
}

// BentOver says that the stem of a tree at a low wire can be bent along it in place of the cut; "" where its wood does not allow it.
func (s Speaker) BentOver(k training.KneeHigh) string {
	if k.BendFromCM == nil {
		return ""
	}
	return fmt.Sprintf("Or bend it instead of cutting: its stem is thin enough to lie along the wire, from %s up in one even bow. It makes one arm then.", s.Tape(*k.BendFromCM))
}

// HeadedHigh says that a stem was headed above the stretch that was wanted.
func (s Speaker) HeadedHigh(cm float64, h training.Heading) string {
	return fmt.Sprintf("Headed at %s, where %s to %s are wanted: only the tip went, and the low stem stays bare. Cut it down to there while it sleeps.", s.Tape(cm), s.Tape(h.LowCM), s.Tape(h.HighCM))
}

// LikeThat names limbs that stand as the others are to stand, to look at while those are bent.
func LikeThat(limbs []string) string {
	if len(limbs) == 1 {
		return limbs[0] + " stands as the others shall: look at it while you bend them."
	}
	return list(limbs) + " stand as the others shall: look at them while you bend those."
}

// OwnWires says at which heights a flat tree's own limbs would take wires.
func (s Speaker) OwnWires(cm []float64) string {
	var at []string
	for _, x := range cm {
		at = append(at, s.Tape(x))
	}
	return "No wires are told of this tree. Its own limbs would take them at " + list(at) + "."
}

// PlantingFacts are what the lists of planting day turn on.
type PlantingFacts struct {
	Kind     *pomology.Kind
	Form     pomology.FormSlug
	Flat     bool
	Class    pomology.VigourClass
	Branched bool
	Tub      bool
	Stake    bool
	WiresCM  []float64
	Speaker  Speaker
}

// CheckLine is a line of a checklist.
type CheckLine struct {
	Key  string `json:"key"`
	Name string `json:"name"`
	Says string `json:"says"`
}

// PlantingChecks are what is done on planting day, in order.
func PlantingChecks(f PlantingFacts) []CheckLine {
	cm := func(x float64) string { return f.Speaker.Own(trim(x, 0) + " cm") }
	out := []CheckLine{
		{"soak", "Roots", "an hour in water; broken ends cut clean, no more"},
		{"hole", "Hole", "as wide as the roots spread, no deeper; sides loosened"},
		{"graft", "Graft", cm(10) + " or more above the soil, at the old soil mark"},
	}
	if f.Tub {
		out[1] = CheckLine{"hole", "Tub", "twice the root ball, holes free, no gravel layer"}
	}
	switch {
	case f.Flat:
		out = append(out, CheckLine{"wall", "Foot", cm(25) + " from the wall, leaning in; the side with most shoots along the wires"})
	case f.Stake:
		out = append(out, CheckLine{"stake", "Stake", "on the windward side, knee high, tied loose"})
	}
	return append(
		out,
		CheckLine{"water", "Water", "two cans, slowly, at once; again each dry week"},
		CheckLine{"mulch", "Mulch", cm(100) + " wide, a hand clear of the stem"},
		CheckLine{"label", "Label", "kind, stock, date; the tie not round the stem"},
		CheckLine{"guard", "Guard", "a spiral or mesh against hares and mice"},
	)
}

// BuyingList is what to have at home before the tree comes.
func BuyingList(f PlantingFacts) []CheckLine {
	cm := func(x float64) string { return f.Speaker.Own(trim(x, 0) + " cm") }
	out := []CheckLine{
		{"mulch", "Mulch", "two barrows of straw, leaves or chips"},
		{"guard", "Guard", "a spiral of " + cm(60) + ", or fine mesh"},
		{"tape", "Soft band", "stretch tape, or strips of an old stocking"},
		{"label", "Label", "and a soft pencil"},
		{"alcohol", "Alcohol", "for the blade"},
	}
	switch {
	case f.Flat:
		out = append(out, CheckLine{"wires", "Wires", fmt.Sprintf("%d, with an eye and a tensioner each; the wall view lists them", len(f.WiresCM))}, CheckLine{"canes", "Canes", "four, for the first arms at 45°"})
	case f.Stake:
		out = append(out, CheckLine{"stake", "Stake", cm(120) + ", as thick as a wrist"})
	}
	if f.Tub {
		out = append(out, CheckLine{"soil", "Soil", "loam with compost; peat alone shrinks"})
	}
	return out
}

// NurseryTree is what to look for when choosing the tree.
func NurseryTree(f PlantingFacts) []string {
	out := []string{
		"Roots damp and many, not wound round in a pot; the graft healed, no swelling with cracks.",
		"A thin, sound tree settles faster than a thick one: a finger's width is enough.",
		"No canker, no gum, no broken leader; a label that names kind and stock.",
	}
	switch {
	case f.Flat:
		out = append(out, "Many shoots in one plane, on both sides, all the way up from the knee.")
	case f.Form.Frame() == pomology.CentralLeader || f.Form == pomology.ModifiedLeader:
		out = append(out, "A straight leader, with shoots all round at hip height or sound buds there.")
	default:
		out = append(out, "A whip with sound buds at knee height: it can be headed low.")
	}
	if f.Class == "vigorous" || f.Class == "semi-vigorous" {
		out = append(out, "Its stock is strong: held low it asks for more summer work; a weaker stock would be calmer.")
	}
	return out
}

// BudsAlone says how many low buds grow by themselves, and whether that is enough.
func BudsAlone(n int, enough bool) []string {
	switch {
	case n == 0:
		return nil
	case enough:
		return []string{fmt.Sprintf("%d low buds grow by themselves: nothing to notch.", n)}
	case n == 1:
		return []string{"One low bud grows by itself: one notch fewer."}
	}
	return []string{fmt.Sprintf("%d low buds grow by themselves: %d notches fewer.", n, n)}
}

// Notching says which buds are woken, and how.
func (s Speaker) Notching(n training.Notches, stone bool) []string {
	var out []string
	switch n.State {
	case "wait":
		out = append(out, "Wait: from four weeks before bud break.")
	case "open":
		out = append(out, "Now, until bud break.")
	case "last_days":
		out = append(out, "The last days: buds that open may be notched too, it pushes them on.")
	default:
		out = append(out, "Too late this spring.")
	}
	if len(n.Notch) > 0 {
		var at []string
		for _, m := range n.Notch {
			at = append(at, fmt.Sprintf("bud %s at %s", m.ID, s.Tape(m.AtCM)))
		}
		out = append(out, upper(list(at))+".")
	}
	out = append(out, "Just above the bud, through the bark to the wood, a third of the way round and no more. The buds near the top break by themselves; one left asleep below stays asleep or turns into a flower bud.")
	if n.Short > 0 {
		out = append(out, fmt.Sprintf("%s fewer than wanted: the stem is too short or its buds stand too close.", upper(s.Amount(float64(n.Short), ""))))
	}
	out = append(out, "Skip buds that are open already, leave as many untouched as you notch, and count both in eight weeks.")
	if stone {
		out = append(out, "Stone fruit: not in a wet spring, gum and canker enter.")
	}
	return out
}

var graftStates = map[string]string{
	"not_dormant": "Not while it is in leaf.", "open": "Wood can be cut now.", "closing": "The last days to cut wood: buds soon swell.", "late": "Buds swell: wood cut now is grafted the same day.",
}

// GraftWood says what wood a tree gives, and how it is kept.
func (s Speaker) GraftWood(g training.GraftPieces) []string {
	out := []string{graftStates[g.State]}
	if g.Pieces == 0 {
		return append(out, "No shoot of pencil thickness with leaf buds in the sun.")
	}
	return append(
		out,
		fmt.Sprintf("%s from %s; take them from what is cut anyway where you can.", s.Amount(float64(g.Pieces), "pieces"), s.Amount(float64(len(g.Fit)), "shoots")),
		s.Own("Bundle and label with the mother tree and the day. Barely damp sawdust in a bag, 0 to 4 °C, away from ripe fruit; damp paper does but moulds sooner."),
		"Look in on days 1 and 3: no visible drops, no mould; then monthly, for three to four months at most.",
		"Wood of sick trees, protected cultivars and quarantine areas is not passed on.",
	)
}

// Trial reads a trial out.
func Trial(rs []training.ArmResult) []string {
	var out []string
	for _, r := range rs {
		where := "in all"
		if r.Zone != "" {
			where = map[string]string{"low": "low down", "middle": "in the middle", "top": "at the top"}[r.Zone]
		}
		verdict := map[string]string{"helps": "it helps", "hurts": "it hurts", "not_shown": "not shown either way"}[r.Verdict]
		small := ""
		for _, w := range r.Warnings {
			if w == training.WSmall {
				small = " Few buds: count more."
			}
		}
		out = append(out, fmt.Sprintf("%s (%s), %s: %.0f of 100 broke against %.0f untouched; difference %.0f to %.0f of 100: %s.%s", upper(r.What), r.Tag, where, 100*r.TreatedShare, 100*r.UntreatedShare, 100*r.Low, 100*r.High, verdict, small))
	}
	return out
}

// Grafted says a graft in one line, or what was seen of it: the name of the wood's kind, the labels of its mother tree and its host.
func Grafted(g training.GraftLog, kind, mother, host string, look bool) string {
	from := "wood from elsewhere"
	switch {
	case mother != "":
		from = "wood of " + mother
	case g.Source != "":
		from = "wood from " + g.Source
	}
	says := fmt.Sprintf("%s, %s, on %s", kind, from, host)
	if g.Way != "" {
		says += " by " + g.Way
	}
	switch {
	case look && g.Pieces > 0:
		return fmt.Sprintf("%s: %d of %d took.", says, g.Took, g.Pieces)
	case look:
		return fmt.Sprintf("%s: %d took.", says, g.Took)
	case g.Pieces > 0:
		return says + ": " + plural(g.Pieces, "piece") + "."
	}
	return says + "."
}

// Bridge says what a stick between two limbs does to both.
func (s Speaker) Bridge(b training.Bridge) string {
	says := fmt.Sprintf("One stick moves both: %s goes from %.0f to %.0f° too", b.Partner, b.PartnerNow, b.PartnerTo)
	if b.TurnDeg >= 3 {
		says += fmt.Sprintf(", and each some %.0f° aside, away from the other", b.TurnDeg)
	}
	if b.PartnerTo > b.PartnerSafe+0.5 {
		return says + fmt.Sprintf(". That is more than %s bears today (%.0f°): set the stick against the trunk, or go in stages.", b.Partner, b.PartnerSafe)
	}
	return says + "."
}
