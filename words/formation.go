package words

import (
	"fmt"
	"math"
	"strings"

	"vertumna/core/limb"
	"vertumna/core/training"
	"vertumna/core/year"
)

// stepWords are the titles of the steps of formation and what each asks. {cm} is its height or length, {high} the upper end, {n} and
// {most} numbers of limbs, {deg} an angle from vertical, {tier} which tier or wire, {share} a part.
var stepWords = map[training.StepKind][2]string{
	training.Plant:       {"Plant it", "Roots spread in a wide hole, the graft a hand above the ground, water, mulch clear of the stem, a label."},
	training.Head:        {"Head it", "Cut the stem above a bud between {cm} and {high}, with {n} strong buds under it that look all ways. A long top starves on short roots, and the low cut makes the low tree."},
	training.LeaveTop:    {"Leave its top", "Your school takes almost nothing in the first year: every leaf builds roots. The frame starts higher; shorten only what broke."},
	training.Wake:        {"Wake low buds", "Left alone, growth goes to the tip and the low stem stays bare. Notch {n} buds between {cm} and {high}, on all sides, from four weeks before bud break; leave as many untouched to compare."},
	training.OneLeader:   {"One leader", "Of the shoots at the top the straightest leads; pinch its rivals while soft. If the leader bends away, take a straighter shoot that grows from it."},
	training.EvenOut:     {"Even the shoots out", "Pinch the strongest shoot back to its fellows: sap runs to the strongest, and what is not evened now is a thick limb in two years."},
	training.Level:       {"Level it", "Cut the whole bush back evenly to about {cm}. A calm tree with many short shoots to choose from."},
	training.StripFruit:  {"Take its fruit off", "A tree that still builds carries none: rub the fruitlets off the frame while they are small."},
	training.Spread:      {"Bend before choosing", "Bring the likely limbs to about {deg} from vertical, strongest evened first. Bent limbs show in spring which are worth keeping."},
	training.Choose:      {"Choose the main limbs", "{n}{most} limbs, the lowest at about {cm}, spread all round; the rest go, or are bent down and go later."},
	training.ShortenAll:  {"Shorten the main limbs", "Each by {share}, to a bud that looks outward: what is left long stays bare at its foot."},
	training.Seconds:     {"Choose the side limbs", "On each main limb {n}{most}, the first {cm} to {high} out, on alternate sides, none on top of the limb."},
	training.NextTier:    {"Head the leader for tier {tier}", "Cut the leader at {cm} to {high}: the limbs of the next tier grow from the buds just below."},
	training.ChooseTier:  {"Choose the limbs of tier {tier}", "{n}{most} limbs between {cm} and {high}, each over a gap of the tier below, and shorter than it."},
	training.StopAt:      {"Stop the leader", "Cut the leader at {cm} to {high}, to a weak side shoot or bud. From here it is held."},
	training.HeadWire:    {"Head the leader at wire {tier}", "Cut the leader between {cm} and {high}, above three good buds: one for each side, one to lead on."},
	training.RaiseArms:   {"Two arms and a leader, wire {tier}", "Of the shoots at {cm} tie one to each side, rising at about {deg}: what rises grows. The third goes straight up. Front and back shoots off."},
	training.LayArms:     {"Lay the arms of wire {tier}", "Tie the stiffer arm down first, then its partner; loops crossed behind the wire, always on the same side, never wound. Leave the last 30 cm rising. The spare is cut only when both hold."},
	training.EndArms:     {"End the arms of wire {tier}", "Each arm stops at {cm}: lay the tip, cut to a bud below. Shoots on it stay 12 cm apart and 12 to 15 cm long."},
	training.EndLeader:   {"End the leader", "Cut it just above the upper arm of the last pair: nothing grows on above the wire."},
	training.TwoRibs:     {"Two ribs", "One strong shoot to the left, one to the right, tied to canes at about {deg}. The rest is pinched to two leaves. The middle stays open."},
	training.MoreRibs:    {"More ribs: {n}", "Shorten each rib to about {cm} from where it starts: its top buds make the next ribs. Tie them like the fingers of a hand."},
	training.Over:        {"Over the wire", "Bend the stem along the wire in one even bow while it is supple; a stem too stiff is cut at the wire and two arms are laid."},
	training.Stems:       {"Choose the stems", "{n}{most} stems from the ground, spread round; the rest off at the ground. From now on the oldest goes each winter."},
	training.ThickSides:  {"Thick side limbs off", "A side limb {share} as thick as the leader beside it, or thicker, comes off to a short slanting stub: a thin one grows from it. {n}{most} short ones from {cm} up stay, none of them headed."},
	training.LaySides:    {"Lay the side limbs level", "Tie or weigh the side limbs down to about {deg} while they are soft: level ones stay thin and fruit early, and none leads beside the trunk."},
	training.FrameStands: {"The frame stands", "From here on the slip leads: each year a little, held at reach."},
	training.Hold:        {"Hold its height", "Back to {cm} at most after the solstice: from now on nothing stands out of reach."},
}

// secondBests are what still can be done where a step was missed.
var secondBests = map[string]string{
	"head-late":    "Not headed at planting: choose among the side shoots it has, and head next winter above the highest good one; lower than that the wood is old, and breaks late.",
	"wake-late":    "Not notched: bend a low shoot into the gap, or notch next spring a little below the bare stretch.",
	"choose-late":  "Not chosen yet: choose now, two limbs a year at most if they are thick; a limb over half the trunk is shortened first.",
	"shorten-late": "Not shortened: cut the longest back into two-year wood to an outward side shoot.",
	"seconds-late": "No side limbs chosen: keep the best on each main limb now, and bend it out.",
	"spread-late":  "Not bent when it was thin: a limb over 25 mm wants two stages, one over 40 mm stays as it is.",
	"tier-late":    "The leader ran on: cut it back to a side shoot where the next tier shall start.",
	"stop-late":    "The leader stands too high: bring it down to a side shoot, in two winters if that takes more than a third.",
	"wire-late":    "The leader passed its wire: cut it back to the wire, and wake buds with a notch if the stem is bare there.",
	"lay-late":     "The arms grew stiff: tie them down in two stages, or cut back to a younger shoot near the wire.",
	"ribs-late":    "Too few ribs: shorten the ones that stand, and tie new shoots into the gaps.",
	"sides-late":   "Thick side limbs stand beside the leader: take the thickest two to a stub this winter, the others over the next two.",
	"stems-late":   "Too many stems: take the oldest two at the ground each winter.",
}

var stepWhens = map[string]string{
	"planting": "at planting", "winter": "in winter", "bud-break": "at bud break", "solstice": "after midsummer", "slowing": "when growth slows", "season": "through the season",
}

// FormTitle names a step of formation.
func (s Speaker) FormTitle(st training.Step) string { return s.step(stepWords[st.What][0], st) }

// FormStep says what a step of formation asks.
func (s Speaker) FormStep(st training.Step) string { return s.step(stepWords[st.What][1], st) }

// StepWhen says in which part of the year a step is made.
func StepWhen(st training.Step) string { return stepWhens[st.When] }

// SecondBest says what still can be done where a step was missed.
func (s Speaker) SecondBest(st training.Step) string { return s.Own(secondBests[st.Second]) }

func (s Speaker) step(t string, st training.Step) string {
	most := ""
	if st.Most > st.Count {
		most = fmt.Sprintf(" to %d", st.Most)
	}
	share := "a third"
	if st.Share > 0 && math.Abs(st.Share-1.0/3) > 0.01 {
		share = s.Amount(st.Share, "share")
		if st.Share == 0.5 {
			share = "half"
		}
	}
	return strings.NewReplacer(
		"{cm}", s.Tape(st.CM), "{high}", s.Tape(st.HighCM), "{n}", fmt.Sprint(st.Count), "{most}", most,
		"{deg}", fmt.Sprintf("%.0f°", st.Deg), "{tier}", fmt.Sprint(st.Tier), "{share}", share,
	).Replace(s.Own(t))
}

// Formation says what a tree's formation cannot reach, or does better otherwise.
func (s Speaker) Formation(w *training.Way) []string {
	var out []string
	for _, x := range w.Warns {
		switch x {
		case training.WOneTier:
			out = append(out, fmt.Sprintf("Under %s there is room for one tier only: an open form serves better.", s.Height(w.CapCM)))
		case training.WNotReachable:
			out = append(out, fmt.Sprintf("Its form cannot be finished under %s: choose a lower first limb, or accept a ladder.", s.Height(w.CapCM)))
		}
	}
	if n := len(w.Tiers); n > 1 {
		var at []string
		for _, t := range w.Tiers {
			at = append(at, s.Tape(t.HeightCM))
		}
		out = append(out, fmt.Sprintf("%d tiers fit under %s: at %s.", n, s.Height(w.CapCM), list(at)))
	}
	return out
}

// deviceNames are what holds a limb, in everyday words.
var deviceNames = map[string]string{
	"tie": "tie", "spreader": "spreader", "weight": "weight", "peg_tie": "cord to a peg", "clothespin": "clothespin", "notched_stick": "notched stick",
	"tie_up": "tie upward", "stake": "stake", "wire": "wire",
}

// DeviceName names a device.
func DeviceName(d string) string {
	if n, ok := deviceNames[d]; ok {
		return n
	}
	return strings.ReplaceAll(d, "_", " ")
}

// deviceWhys are why a device was chosen, or none.
var deviceWhys = map[string]string{
	"small": "It stands well within a hand's width: leave it.", "frost": "Frozen wood snaps: wait for an air above −4 °C.", "too_flat": "It hangs too flat: tie it up.",
	"too_thick": "Too thick to bend: cut it, or leave it as it is. No saw cuts to make it give.", "soft": "Soft and short: a clothespin on its foot.", "thin": "Thin: a light hand is enough.",
	"woody": "Woody: a stick that stands between it and the trunk.", "thick": "Thick: a pull from the ground holds it best.",
}

// DeviceWhy says why.
func (s Speaker) DeviceWhy(why string) string { return s.Own(deviceWhys[why]) }

// Stand-ins from the household for each device, and how it goes on.
var deviceHows = map[string][2]string{
	"clothespin":    {"a clothespin; a folded twig does as well", "Clip it on the stem just above the shoot, so that its end presses the shoot's foot outward."},
	"notched_stick": {"a bamboo or twig, a notch cut in each end", "Notch on the stem, notch on the shoot; it sits by the shoot's own spring."},
	"weight":        {"a bag of stones or a bottle of water on a cord", "Hang it low and soft, and nobody stands under it. Move it out if the bend comes at the foot."},
	"spreader":      {"a lath with a headless nail in each end", "Points bite a little and ride with the wind. Set it, shake the limb, set it again if it slips: its partner limb moves too."},
	"peg_tie":       {"a stake of 40 cm and soft cord; a brick will do", "Drive the peg in slanting away and pull at it before you tie. Pull to where the limb resists, no further, and tie a loose loop with a soft band."},
	"tie":           {"stretch tape, a strip of cloth or a stocking", "A figure of eight, loose round the limb: never a ring."},
	"tie_up":        {"stretch tape or a strip of cloth", "From the limb to the trunk above, a loose loop at both ends."},
}

// DeviceHow says what a device can be made of, and how it goes on.
func (s Speaker) DeviceHow(device string) (standIn, how string) {
	h := deviceHows[device]
	return s.Own(h[0]), s.Own(h[1])
}

// Rig says how a device that is on stands.
func (s Speaker) Rig(o year.Clocked, shown int) string {
	left := o.OffDay - shown
	name := DeviceName(o.Device)
	switch {
	case o.Standing():
		return upper(name) + " stays; look at it each spring."
	case left < 0:
		says := fmt.Sprintf("%s is %s over its day: take it off today", upper(name), s.Amount(float64(-left), "days"))
		if o.Loops() {
			return says + ", a tie that grows in kills the limb."
		}
		return says + ", and look whether the limb springs back."
	case o.LoopState == "tight":
		return "The loop is tight: loosen it today."
	case o.LoopState == "soon":
		return "The loop will be tight before its day: widen it at the next look."
	case o.Bound == "school":
		return fmt.Sprintf("Off in %s by your school; the wood sets later: look whether it springs back.", s.Amount(float64(left), "days"))
	case o.Bound == "material":
		return "Its material is worn out before the wood has set: renew it in time."
	}
	return fmt.Sprintf("Off in %s, when the wood has set.", s.Amount(float64(left), "days"))
}

// rigLimb names what a device holds, for a task's reason.
func rigLimb(o *year.Clocked) string {
	if o == nil || o.Limb == "" {
		return ""
	}
	return " on " + o.Limb
}

// Framed says what leads while a tree's frame is built.
func Framed(stands int) string {
	return fmt.Sprintf("Its frame is built until year %d of its life: the training page leads. Here is only sick wood, and what is in the way.", stands)
}

// FrameCuts says what a young tree's training cuts in a year: its stem by itself, tops that are levelled together.
func (s Speaker) FrameCuts(cuts []limb.CutAt) []string {
	out := []string{}
	for _, c := range cuts {
		out = append(out, fmt.Sprintf("%s above a bud, %s from its base", c.Limb, s.Tape(c.AtCM)))
	}
	if len(out) > 3 {
		return []string{fmt.Sprintf("%d tops levelled", len(out))}
	}
	return out
}
