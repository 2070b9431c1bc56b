package words

import (
	"math"
	"regexp"
	"strings"

	"vertumna/core/find"
	"vertumna/core/limb"
	"vertumna/core/pomology"
)

// finding is how a finding is named, what is told of it, and why it matters in one sentence. {name} is a fact in the
// person's unit, {limit} its threshold, {limb} and {others} the limbs.
type finding struct{ name, says, why string }

var findings = map[find.Code]finding{
	find.DeadWood:     {"dead wood", "dead from {mark_at_cm} on, {diameter_mm} thick there", "Dead wood lets rot and borers in, and falls when it will."},
	find.DamagedWood:  {"damaged", "damaged at {mark_at_cm}, {diameter_mm} thick there", "Torn wood does not close; rot enters and the limb breaks there."},
	find.DiseasedWood: {"sick wood", "{agent} at {mark_at_cm}; sound wood starts {limit} below it", "Sickness runs toward the trunk: it comes out into sound wood, whatever the season's limit says."},
	find.Borer:        {"borer", "a borer at {mark_at_cm}; sound wood starts {limit} below it", "The grub eats downward; cut until the wood shows no hole."},
	find.Sucker:       {"sucker", "starts {base_height_cm} above the ground", "It feeds on the roots and gives nothing; from below the graft it is another tree."},
	find.WaterSprout:  {"water sprout", "{length_cm} long, {mean_angle_deg} from vertical", "It shades what bears, and fruits late or never."},
	find.Crossing:     {"crossing", "comes within {gap_cm} of {others}", "Bark that rubs opens, and sickness enters both limbs."},
	find.Resting:      {"resting on a better limb", "lies on {others}", "Its weight and rubbing wear the limb that carries more."},
	find.Inward:       {"into the middle", "{inward_ratio:share} of its length runs toward the middle", "It takes the light of the middle and meets the limbs opposite."},
	find.Hanging:      {"hanging", "its tip points down, {tip_angle_deg} from vertical", "Wood that hangs grows weak, and its fruit small."},
	find.TooLow:       {"too low", "hangs down to {lowest_cm} above the ground", "So low it gets no light and stands in the way."},
	find.OldUpright:   {"old upright", "{age:n} seasons old and still {mean_angle_deg} from vertical", "An upright that was let grow becomes a second tree inside this one."},
	find.BareLeader:   {"on the bare stretch of the leader", "starts {attach_cm} up the leader", "The leader inside a vase stays bare below its crown, so that light reaches the limbs round it."},
	find.LeaderCrown:  {"one too many on the leader's top", "{count:n} limbs on its top, {limit:n} are enough; {others} stay", "The small crown on a kept leader is two or three limbs, spread round; more make a second tree over the first."},
	find.TimeOver:     {"kept for a time", "its time is over: {state}, {diameter_mm} thick", "A limb kept for a time goes while the wound is small and others bear."},
	find.OutOfPlane:   {"out of the plane", "{across_ratio:share} of its length runs across the wires", "Shoots straight out or into the wall take the light of the arms, and rub."},
	find.Succeeded:    {"its successor stands", "{others} is {ratio:share} as thick and takes over", "What was named to follow is ready; two in one place starve each other."},
	find.TooManyLimbs: {"too many main limbs", "{count:n} main limbs, {limit:n} at most are wanted", "More limbs than the tree can light grow thin and high; few good ones carry the crop."},
	find.LeaderLong:   {"leader too long", "runs {over_cm} past where it is to stop, {limit} above its highest main limb", "A leader stopped a little above the top limb is calm; a long one makes another top to hold."},
	find.PastLength:   {"past its length", "grew {ring_cm} past the length it is to keep", "An arm that is long enough is held: what it grows on goes into height and shade."},
	find.NarrowCrotch: {"narrow crotch", "leaves its carrier at {crotch_deg}, {ratio:share} as thick", "Bark is trapped in so narrow an angle, and the limb splits off under fruit."},
	find.ThickSide:    {"too thick for its carrier", "{ratio:share} as thick as what carries it", "A side limb near its carrier's thickness takes over from it."},
	find.Competitor:   {"rival of the leader", "its tip stands at {tip_cm}, the leader's at {leader_cm}", "Two leaders split the tree; one leads."},
	find.SameNode:     {"several from one place", "{count:n} limbs start at {at_parent_cm}", "Limbs from one place starve what stands above them and split at it."},
	find.Fork:         {"fork of equals", "{ratio:share} as thick as {others}", "Equal ends do not settle who leads, and a fork of equals splits."},
	find.TierGap:      {"too close above another", "{gap_cm} above {others} on the same side, {wanted_cm} wanted", "The limb above takes the light of the one below."},
	find.OverHeight:   {"above reach", "rises to {top_cm}, {excess_cm} above your reach", "Fruit out of reach is not picked, and shades what is within it."},
	find.Crowsfoot:    {"knot of shoots", "{count:n} upright shoots at a place cut before", "Cutting at one height each year builds a knot; it comes out whole, lower down."},
	find.HeadedAgain:  {"headed there before", "cut {times:n} times at one place, and {count:n} upright shoots again", "Each heading at the same place answers with more shoots; the whole knot is taken out lower down."},
	find.TopHeavy:     {"top-heavy", "the top is {ratio:share} as wide as the foot", "A wide top shades the limbs below, which go bare from the ground up."},
	find.OverPath:     {"over the path", "hangs {height_cm} above {name}", "Heads and limbs meet there."},
	find.AtWall:       {"into the wall", "grows into {name} at {height_cm}", "It rubs on it, and bears on one side only."},
	find.AtNeighbour:  {"into a neighbour", "grows into the crown of {name}", "Where two crowns meet neither gets light, and sickness walks across."},
	find.OverLong:     {"over-long", "{length_cm} long, its siblings {siblings_cm}", "The longest limb draws the strength, and breaks first under fruit."},
	find.Shaded:       {"in the shade", "gets {light:share} of full light", "Below a third of full light few flower buds form, and fruit stays small and green."},
	find.Dense:        {"crowded", "{neighbours:n} other limbs pass close to its middle", "Leaves that dry late fall sick, and inner wood goes blind."},
	find.CentreClosed: {"closed middle", "no more than {cylinder_cm} passes through the middle", "An open middle lets light to all sides; a hat should pass."},
	find.LongShoot:    {"long shoot", "grew {length_cm} last season", "Wood that grows so hard sets no flower buds; calm it."},
	find.RenewalDue:   {"its turn to be renewed", "{age:n} seasons old, and {limit:n} is enough for wood that bears once", "It bears on last year's shoots only: a third of the bearing limbs makes way each year for young ones near the base."},
	find.TooOld:       {"worn out", "{age:n} seasons old with {new_wood_cm} of new wood", "Old bearing wood without new shoots bears small fruit, then none."},
	find.Barren:       {"bare stretch", "bare for {bare_cm}", "Bare wood bears nothing, and pushes the fruit out to where limbs break."},
	find.WeakWood:     {"weak last season", "its last shoot grew {last_ring_cm}", "A limb that grows less than its neighbours is failing, or starved of light."},
	find.SpursCrowded: {"crowded spurs", "{per_m:spurs}, {most_per_m:along} are enough", "Crowded spurs bear many small fruits one year and rest the next."},
	find.TipBack:      {"end to shorten", "grew {ring_cm} last season", "A young limb shortened by a part branches where branches are wanted."},
	find.LongBearer:   {"bearing shoot to shorten", "{length_cm} long: room for {fruits:n} fruits", "A shoot left whole carries more than it can ripen, and renews far from the frame."},
	find.Overloaded:   {"overloaded", "{fruit_kg:kg} of fruit bend it past what its wood bears safely", "It breaks under this fruit: thin, prop or tie."},
	find.ThinForLoad:  {"thin for its load", "a usual crop, {expected_kg:kg}, would bend it past what its wood bears safely", "It will need thinning, a prop or a tie when it bears."},
}

var slot = regexp.MustCompile(`\{([a-z_]+)(?::([a-z]+))?\}`)

// FindingWords are a finding in plain words.
type FindingWords struct{ Name, Says, Why string }

// Finding puts a finding into words: its name, what was found in numbers, and why it matters.
func (s Speaker) Finding(f find.Finding) FindingWords {
	t := findings[f.Code]
	says := slot.ReplaceAllStringFunc(t.says, func(m string) string {
		parts := slot.FindStringSubmatch(m)
		return s.fact(f, parts[1], parts[2])
	})
	if gap, ok := f.Fact("gap_cm"); ok && gap.Value <= 0 && f.Code == "crossing" {
		says = "touches " + list(f.Members)
		if rests, ok := f.Fact("rests"); ok && rests.Value == 1 {
			says = "lies on " + list(f.Members)
		}
	}
	if seen, ok := f.Fact("seen"); ok && seen.Value == 1 {
		if _, measured := f.Fact("gap_cm"); !measured {
			says = "seen to rub on " + list(f.Members)
		}
	}
	if outward, told := f.Fact(find.Backward); told {
		if outward.Value < 0 {
			says += "; it runs back into the tree, and " + list(f.Members) + " stays"
		} else {
			says += "; " + list(f.Members) + " runs more outward, and stays"
		}
	}
	if at, ok := f.Fact("mark_at_cm"); ok && at.Value == 0 {
		switch f.Code {
		case "dead":
			says = "all of it dead, " + s.fact(f, "diameter_mm", "") + " thick at its base"
		case "damaged":
			says = "broken from its base on, " + s.fact(f, "diameter_mm", "") + " thick there"
		}
	}
	if bears, ok := f.Fact("bears"); ok && bears.Value == 1 {
		says += "; it bears this year and is renewed after the harvest"
	}
	if f.Code == "renewal_due" && len(f.Members) > 0 {
		says += "; " + f.Members[0] + " takes over"
	}
	if f.Code == "barren" {
		if from, ok := f.Fact("from_cm"); ok {
			to, _ := f.Fact("to_cm")
			says += ", from " + s.Amount(from.Value, "cm") + " to " + s.Amount(to.Value, "cm")
		}
	}
	return FindingWords{t.name, says, t.why}
}

func (s Speaker) fact(f find.Finding, name, unit string) string {
	switch name {
	case "others":
		return list(f.Members)
	case "limit":
		if len(f.Limits) == 0 {
			return ""
		}
		return s.amountOf(f.Limits[0], unit)
	}
	e, ok := f.Fact(name)
	if !ok {
		return ""
	}
	if e.Text == "unknown" {
		return "a sickness of unknown kind"
	}
	if e.Text != "" {
		return e.Text
	}
	return s.amountOf(e, unit)
}

// amountOf says a fact in the unit its name ends in, or in the one given.
func (s Speaker) amountOf(e find.Fact, unit string) string {
	if unit == "" {
		unit = e.Name[strings.LastIndex(e.Name, "_")+1:]
	}
	switch unit {
	case "n":
		unit = ""
	case "spurs":
		return s.along(e.Value, " spurs a ")
	case "along":
		return s.along(e.Value, " a ")
	}
	value := e.Value
	if (unit == "cm" && value >= 10) && s.Units != US { // no tape on a tree reads finer
		value = math.Round(value)
	}
	return s.Amount(value, unit)
}

// along says so many to the metre of a limb, or to the foot.
func (s Speaker) along(perM float64, of string) string {
	if s.Units == US {
		return trim(mPerFoot*perM, 1) + of + "foot"
	}
	return trim(perM, 1) + of + "metre"
}

const mPerFoot = 0.3048

func list(names []string) string {
	switch n := len(names); n {
	case 0:
		return ""
	case 1:
		return names[0]
	default:
		return strings.Join(names[:n-1], ", ") + " and " + names[n-1]
	}
}

// Where says where a finding starts on its limb, and how high that is.
func (s Speaker) Where(f find.Finding, heightCM float64) string {
	height := s.Amount(heightCM/100, "m")
	if f.AtCM <= 0 {
		return "limb " + f.Limb + ", from its base, " + height + " up"
	}
	return "limb " + f.Limb + ", " + s.amountOf(find.Fact{Name: "at_cm", Value: f.AtCM}, "cm") + " from its base, " + height + " up"
}

var bearing = map[pomology.Bearing]string{
	pomology.OnSpurs:       "Fruit buds sit on short spurs of two years and more; this shoot carries leaf buds, and spurs come on it next year.",
	pomology.OnTips:        "It bears at the ends of its shoots: cut them all and you cut the crop.",
	pomology.OnLastYear:    "It bears this year on the shoot that grew last year, and never there again; keep enough of them and provoke new ones.",
	pomology.OnSpursAndNew: "It bears on spurs of older wood, and on the upper part of last year's shoots.",
	pomology.OnThisYear:    "It bears on this year's shoots from last year's end buds: heading everything takes the crop.",
}

// BearingHere says what the bearing habit means for a shoot, with what its buds hold.
func (s Speaker) BearingHere(habit pomology.Bearing, fruiting, all int) string {
	sentence := bearing[habit]
	if all > 0 {
		sentence += " Here " + s.Amount(float64(fruiting), "") + " of " + s.Amount(float64(all), "") + " buds may bear."
	}
	return sentence
}

// LimbState puts a limb's state into words.
func (s Speaker) LimbState(st limb.State) (name, job string) {
	for _, k := range limb.StateKinds() {
		if k.Kind == st.Kind {
			return k.Name, s.Own(k.Job)
		}
	}
	return st.Kind, ""
}
