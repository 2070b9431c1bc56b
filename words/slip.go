package words

import (
	"fmt"
	"math"
	"slices"
	"strconv"
	"strings"

	"vertumna/core/cut"
	"vertumna/core/find"
	"vertumna/core/limb"
)

// how says how a kind of cut is made, above a bud with the school's slope.
func (s Speaker) how(k limb.CutKind) string { return s.slope(cutWords[k].how) }

// slope says a cut above a bud the school's way.
func (s Speaker) slope(says string) string {
	if s.Straight {
		says = strings.Replace(says, "sloped away from it", "straight across", 1)
	}
	return s.Own(says)
}

// CutRule is what holds for every cut of a slip.
func (s Speaker) CutRule() string {
	return s.slope("At a fork or bud: 5 mm above it, sloped away from it. At a collar: not flush, no stub. In doubt, leave it.")
}

// stub says how long a renewal stub stays.
func (s Speaker) stub(cm float64) string {
	says := fmt.Sprintf("%s stay: a thinner limb grows from them.", s.Amount(10*cm, "mm"))
	if cm > find.StubCM {
		says += " A little more than usual: on a weak stock the buds at the foot wake late."
	}
	return says
}

// Spread says how a limb would be spread in place of being cut.
func (s Speaker) Spread(x cut.Spread) string {
	return fmt.Sprintf("Or spread it instead, from %.0f to %.0f degrees from vertical: the wood is young enough, and nothing is lost.", x.From, x.To)
}

// Cleaning says when tools are cleaned, by the school's value.
func Cleaning(value string) string {
	if value == "every-cut" {
		return "Clean the blade with alcohol at every cut."
	}
	return "Clean tools with alcohol between trees and after each sick cut."
}

var whys = map[cut.Why]string{
	cut.NoSafeCut: "no safe cut: leave it and look again next season", cut.NoCut: "no cut answers this: thin the fruit, prop or tie",
	cut.Bears: "it bears this year: renewed after the harvest", cut.LightAgain: "look at the light again after these cuts",
	cut.NotchFirst: "notch it first, look again next year", cut.BendFirst: "bend it first, look again next year",
	cut.DryWeather: "waits for dry summer weather: this kind's wounds fall sick in the wet", cut.OverToSummer: "past the stop line: in summer, which calms the tree",
	cut.NotInLeaf: "not cut in leaf: next winter", cut.OverToWinter: "past the stop line: next winter", cut.ZoneToSummer: "past the limit of its zone: in summer", cut.ZoneToWinter: "past the limit of its zone: next winter",
	cut.Strips: "a limb would be left without its fruit buds", cut.FewShoots: "too few one-year shoots would be left to bear",
	cut.BigWounds: "two big wounds a year are enough: next winter", cut.Incomplete: "the map is too thin here to be sure: look first",
	cut.Locked: "a protected or tied limb would go with it", cut.StateKeeps: "you keep it for now, as you decided for this limb", cut.TakesOver: "it takes over from a limb that comes down: nothing touches it",
	cut.NextYear:    "past the stop line: with next year's height cut",
	cut.SchoolNever: "your school leaves this as it is", cut.LeftByYou: "left by you", cut.MovedByYou: "the cut was moved by you to where it does not solve this",
}

// Why says why a finding waits.
func (s Speaker) Why(c cut.Carried, summer bool) string {
	switch {
	case c.Why == cut.OtherSlip && summer:
		return "work of the winter slip"
	case c.Why == cut.OtherSlip:
		return "work of the summer slip"
	case c.Why == cut.Lowered:
		return fmt.Sprintf("lowered by %s now, the rest next year", s.Tape(c.CM))
	}
	return whys[c.Why]
}

// WaitingPrice says what a year's waiting does to a cut that waits; empty where it does nothing worth telling.
func (s Speaker) WaitingPrice(mm float64, e cut.Evidence, minutes float64) string {
	var out []string
	if e.NextMM-mm >= 1 {
		out = append(out, fmt.Sprintf("%s thick instead of %s", s.Amount(e.NextMM, "mm"), s.Amount(mm, "mm")))
	}
	if e.CloseNext > e.CloseNow && e.CloseNow > 0 {
		out = append(out, fmt.Sprintf("%d seasons to close instead of %d", e.CloseNext, e.CloseNow))
	}
	if e.MinutesNext-minutes >= 0.2 {
		out = append(out, fmt.Sprintf("%.1f min more work", e.MinutesNext-minutes))
	}
	if len(out) == 0 {
		return ""
	}
	return "Next year: " + strings.Join(out, ", ") + "."
}

// StepWords are a step of a slip in plain words.
type StepWords struct {
	Title, Where, How, Bud, Cost string
	// Price is what it costs later: fruit, regrowth, the wound, what waiting would cost. None is hidden.
	Price    []string
	Cautions []string
}

var sides = [8]string{"north", "northeast", "east", "southeast", "south", "southwest", "west", "northwest"}

// Side names a compass bearing.
func Side(deg float64) string { return sides[int(math.Mod(deg+22.5+360, 360)/45)%8] }

var classes = map[limb.Class]string{
	limb.Outward: "outward", limb.Inward: "inward", limb.Upper: "up", limb.Under: "down", "left": "to the left", "right": "to the right",
}

// OwnTool is a tool of a person's and the thickest wood it takes.
type OwnTool struct {
	Name  string
	MaxMM float64
}

// ToolFor is what a cut is made with: of the person's own tools the lightest that takes it, else the usual one.
func ToolFor(c cut.Candidate, own []OwnTool) (name string, has bool) {
	if c.Tool == cut.Arborist {
		return string(c.Tool), true
	}
	best := OwnTool{}
	for _, t := range own {
		if t.MaxMM >= c.DMM && (best.Name == "" || t.MaxMM < best.MaxMM) {
			best = t
		}
	}
	if best.Name != "" {
		return best.Name, true
	}
	return string(c.Tool), len(own) == 0
}

// budNames say what a top bud is, where that matters.
var budNames = map[limb.BudKind]string{
	limb.LeafBud: ", a leaf bud,", limb.FlowerBud: ", a flower bud,", limb.MixedBud: ", a mixed bud,", limb.Spur: ", a fruit spur,",
	limb.Triple: ", a leaf bud between two flower buds,", limb.Double: ", a leaf bud beside a flower bud,",
}

// Step puts a step of a slip into words. Places are cm; openWeeks is how long its wound waits for growth.
func (s Speaker) Step(c *cut.Step, place limb.Vec, bud *cut.TopBud, tool string, has bool, openWeeks int) StepWords {
	w := StepWords{Title: s.StepTitle(c.Candidate), How: s.how(c.Kind)}
	if c.Kind == limb.Stub {
		w.How = s.stub(c.AtCM)
	}
	w.Where = s.Amount(place.Z/100, "m") + " up"
	if r := math.Hypot(place.X, place.Y); r >= 15 {
		w.Where += ", " + Side(math.Atan2(place.X, place.Y)*180/math.Pi) + " side"
	}
	if c.AtCM > 0 {
		w.Where += ", " + s.Tape(c.AtCM) + " from the base of " + c.Limb
	}
	if bud != nil {
		what := budNames[bud.Kind]
		switch class := classes[bud.Class]; {
		case class == "":
			w.Bud = "Where the top bud faces is not known: look, and take one that faces outward."
		case bud.Sure:
			w.Bud = "The top bud" + what + " faces " + class + ", to the " + Side(bud.Bearing) + "."
		default:
			w.Bud = "The top bud" + what + " should face " + class + ", to the " + Side(bud.Bearing) + ": look."
		}
	}
	w.Cost = thickness(s, c, tool)
	if !has {
		w.Cost = fmt.Sprintf("none of your tools takes %s: a %s, %s", s.Amount(c.DMM, "mm"), tool, shortMinutes(c.Minutes))
	}
	if bud == nil && c.Kind.EndsAtBud() {
		w.Bud = "Which bud comes out on top is not known: look for the first one below the cut, and take one that faces outward."
	}
	w.Price = s.price(c, openWeeks)
	if says := s.depth(c); says != "" {
		w.Price = append(w.Price, says)
	}
	w.Cautions = cautionsOf(c.Candidate, place.Z)
	return w
}

// depth says how far a shortening goes into wood of which year, and what cutting lower would cost.
func (s Speaker) depth(c *cut.Step) string {
	var parts []string
	for _, p := range []struct {
		cm   float64
		what string
	}{{c.Depth.ThisYear, "this year's shoot"}, {c.Depth.LastYear, "last year's wood"}, {c.Depth.Older, "older wood"}} {
		if p.cm >= 0.5 {
			parts = append(parts, s.Tape(p.cm)+" of "+p.what)
		}
	}
	if len(parts) == 0 {
		return ""
	}
	says := "Takes " + list(parts)
	if c.Depth.Deep() {
		says += ", deeper than the " + s.Amount(cut.CalmDepthCM, "cm") + " that keep it calm"
	}
	if buds := math.Round(c.Depth.Further); buds >= 1 {
		return fmt.Sprintf("%s; %s lower would cost %s more.", says, s.Amount(cut.FurtherCM, "cm"), s.Amount(buds, "fruit buds"))
	}
	return says + "."
}

func shortMinutes(m float64) string {
	if m < 1 {
		return "half a minute"
	}
	return strings.TrimSuffix(fmt.Sprintf("%.1f", m), ".0") + " min"
}

func (s Speaker) price(c *cut.Step, openWeeks int) []string {
	var out []string
	fruit := math.Round(c.FruitLoss)
	switch {
	case fruit < 1 && c.BudsAbove >= 1:
		out = append(out, fmt.Sprintf("No fruit within reach; %.0f fruit buds above it.", c.BudsAbove))
	case fruit < 1:
		out = append(out, "No fruit.")
	case c.GrowsBack == 1:
		out = append(out, fmt.Sprintf("%.0f fruit this year; the wood bears again after next.", fruit))
	default:
		out = append(out, fmt.Sprintf("%.0f fruit this year, as many the next.", fruit))
	}
	switch {
	case c.Kind == limb.SpurThin:
	case c.GrowsBack == 0:
		out = append(out, "Does not grow back.")
	case c.GrowsBack == 1:
		out = append(out, fmt.Sprintf("Grows back in a season: shoots of %s.", s.Tape(c.RegrowthCM)))
	default:
		out = append(out, fmt.Sprintf("Grows back in %d seasons: shoots of %s.", c.GrowsBack, s.Tape(c.RegrowthCM)))
	}
	if c.Kind != limb.SpurThin {
		wound := "The wound closes in a season"
		switch {
		case c.CloseNow == 0:
			wound = "The wound will not close in sight"
		case c.CloseNow > 1:
			wound = fmt.Sprintf("The wound closes in %d seasons", c.CloseNow)
		}
		if openWeeks > 0 {
			wound += ", open " + plural(openWeeks, "week") + " before growth"
		}
		out = append(out, wound+".")
	}
	if w := s.WaitingPrice(c.DMM, c.Evidence, c.Minutes); w != "" {
		out = append(out, w)
	}
	return out
}

var hazards = map[cut.Hazard]string{
	cut.OverPath:      "Over a path: nobody under it, and rope what is heavy.",
	cut.NearPowerLine: "Within 3 m of a power line: do not cut; call the network's owner.",
	cut.OnTheWall:     "Over the wall: the ground beyond is another's.",
}

// Hazard says what a hazard asks.
func (s Speaker) Hazard(h cut.Hazard) string { return s.Own(hazards[h]) }

// jobs without a cut.
var slipJobs = map[cut.JobKind]string{
	cut.NotchJob:      "Notch %s %s from its base, just above a sleeping bud, around bud break.",
	cut.BendJob:       "Bend %s flatter: buds along it wake.",
	cut.LookAtCarrier: "Look at %s where the sick limb leaves it, %s from its base: the sound wood beyond the sickness is not all on the limb.",
	cut.WoundLook:     "Look at the old wound on %s, %s from its base",
}

// Job says a piece of work without a cut.
func (s Speaker) Job(j cut.Job) string {
	at := s.Tape(j.AtCM)
	switch j.Kind {
	case cut.BendJob:
		return fmt.Sprintf(slipJobs[j.Kind], j.Limb)
	case cut.WoundLook:
		says := fmt.Sprintf(slipJobs[j.Kind], j.Limb, at)
		if j.Seasons > 0 {
			return fmt.Sprintf("%s: %s, about %s from closing.", says, s.Amount(j.DMM, "mm"), plural(j.Seasons, "season"))
		}
		return fmt.Sprintf("%s: %s, not closing in sight.", says, s.Amount(j.DMM, "mm"))
	}
	return fmt.Sprintf(slipJobs[j.Kind], j.Limb, at)
}

// LargeFree is said of a large cut that does not count.
const LargeFree = "It does not count toward the limit, but it opens the crown: bark that stood in shade can burn, and sprouts follow."

// SlipTotal sums a slip up.
func (s Speaker) SlipTotal(steps int, minutes float64, tools int) string {
	if steps == 0 {
		return "nothing to cut"
	}
	return fmt.Sprintf("%s, %s, %s", plural(steps, "step"), s.Minutes(minutes), plural(tools, "tool"))
}

// thinWood names thin wood that is tidied in one go, by its place in the order of work.
var thinWood = map[int]string{
	2: "sprouts", 3: "crossing shoots", 4: "shoots that stand wrong", 5: "narrow or thick side shoots", 6: "thin tops", 7: "long ends",
	8: "crowded shoots", 9: "shoots to renew",
}

var numbers = []string{"No", "One", "Two", "Three", "Four", "Five", "Six", "Seven", "Eight", "Nine", "Ten", "Eleven", "Twelve"}

// Group names thin wood of one place that is cut in one go.
func (s Speaker) Group(g cut.Group, of *cut.Slip) string {
	what := thinWood[of.Cuts[g.Steps[0]].Step]
	for _, n := range g.Steps {
		if thinWood[of.Cuts[n].Step] != what {
			what = "thin shoots"
		}
	}
	n := strconv.Itoa(len(g.Steps))
	if len(g.Steps) < len(numbers) {
		n = numbers[len(g.Steps)]
	}
	if g.Limb == "" {
		return fmt.Sprintf("%s %s, all over the tree", n, what)
	}
	return fmt.Sprintf("%s %s on %s", n, what, g.Limb)
}

func plural(n int, what string) string {
	if n == 1 {
		return "1 " + what
	}
	return fmt.Sprintf("%d %ss", n, what)
}

// StopLine says how a slip stands against the limit of the tree year.
func (s Speaker) StopLine(limit, account, free float64, exempt bool) string {
	also := ""
	if free >= 0.005 {
		also = " " + s.Amount(free, "share") + " more goes free: sick wood and suckers do not count."
	}
	switch {
	case exempt:
		return "In formation: hard cuts are exempt by your school; " + s.Amount(account, "share") + " goes." + also
	case account > limit+0.0005:
		return fmt.Sprintf("Passes the line by %s: sprouts follow.%s", s.Amount(account-limit, "share"), also)
	case limit-account < 0.005:
		return "The line is reached: past it sprouts follow." + also
	}
	return fmt.Sprintf("%s may still go this tree year; past the line sprouts follow.%s", s.Amount(limit-account, "share"), also)
}

// ClearUp says what is still to do on a tree once its cuts are made; nothing where none is.
func ClearUp(s *cut.Slip, bared []string, jobs int) []string {
	out := []string{}
	if len(s.Cuts) == 0 {
		return out
	}
	sick := slices.ContainsFunc(s.Cuts, func(c cut.Step) bool { return c.OffPlot })
	says := "Rake up what was cut: chip it, or carry it off; wood left under the tree is where sickness winters."
	if sick {
		says = "Sick wood first and apart: burned where local rules allow, or binned, never composted. Chip or carry off the rest."
	}
	out = append(out, says, "Clean and dry the tools; look over the ground for one that lies in the grass.")
	if len(bared) > 0 {
		out = append(out, "White paint on bark that comes into the sun: "+strings.Join(bared, ", ")+".")
	}
	if jobs > 0 {
		out = append(out, "Then what needs no cut: bends, ties and notches of the slip, the same day while you know the tree.")
	}
	return out
}

// FewerShare says what a winter cut does to what it leaves: the roots hold what the whole crown was to have.
func (s Speaker) FewerShare(share float64) string {
	if share < 0.05 || share >= 1 {
		return ""
	}
	return fmt.Sprintf(" The roots were filled for the whole crown: each bud that stays gets about %s more.", s.Amount(share/(1-share), "share"))
}

// FruitAgainstCut sets a slip against the season's fruit: what is to hang, what the tree is to carry, and the fruit buds that go.
func (s Speaker) FruitAgainstCut(fruit, wanted float64, counted bool, budsLeft, taken float64) string {
	all := budsLeft + taken
	says := fmt.Sprintf("%.0f of %.0f fruit buds within reach stay.", budsLeft, all)
	if taken == 0 {
		says = fmt.Sprintf("All %.0f fruit buds within reach stay.", all)
	}
	if fruit > 0 {
		how := "expected, not counted"
		if counted {
			how = "counted"
		}
		says += fmt.Sprintf(" About %.0f fruit this season (%s); it is to carry %.0f.", fruit, how, wanted)
		if fruit > wanted {
			return says + " There is thinning to do, and each bud cut is thinning done."
		}
	}
	if taken > manyBuds*all {
		return says + " The slip takes many of them: spare what bears where you can."
	}
	return says
}

// manyBuds: a slip that takes more of the fruit buds within reach says so.
const manyBuds = 0.25

// StepTitle names a cut in a few words.
func (s Speaker) StepTitle(c cut.Candidate) string {
	if c.Kind == limb.SideBranch {
		return fmt.Sprintf(cutWords[c.Kind].step, c.Limb, c.Side)
	}
	return fmt.Sprintf(cutWords[c.Kind].step, c.Limb)
}

// thickness tells the tool, how thick the wood is and how long it takes; spurs have no thickness worth telling.
func thickness(s Speaker, c *cut.Step, tool string) string {
	if c.DMM < 1 {
		return fmt.Sprintf("%s, %s", tool, shortMinutes(c.Minutes))
	}
	return fmt.Sprintf("%s, %s thick, %s", tool, s.Amount(c.DMM, "mm"), shortMinutes(c.Minutes))
}

// Bundle sets small cuts on one limb against taking it out.
func (s Speaker) Bundle(b cut.Bundle) string {
	return fmt.Sprintf("%d cuts on %s: %s. The limb out at its collar: %s.", b.Small.Cuts, b.Limb, s.tally(b.Small), s.tally(b.One))
}

func (s Speaker) tally(t cut.Tally) string {
	closes := "not closing in sight"
	if t.Closes == 1 {
		closes = "closed in a season"
	} else if t.Closes > 1 {
		closes = fmt.Sprintf("closed in %d seasons", t.Closes)
	}
	return fmt.Sprintf("%s of the crown, %s, %s within reach, widest wound %s, %s",
		s.Amount(t.Share, "share"), shortMinutes(t.Minutes), plural(int(math.Round(t.Buds)), "fruit bud"), s.Amount(t.WidestMM, "mm"), closes)
}

// Thirds name the thirds of a tree's height, from the ground up.
var Thirds = [3]string{"low", "middle", "top"}

// Zone says what a third of the height loses, against its own limit.
func (s Speaker) Zone(third int, z cut.Zone) string {
	out := fmt.Sprintf("Of the %s third, %s to %s up, %s goes", Thirds[third], s.Amount(math.Round(z.FromCM/10)/10, "m"), s.Amount(math.Round(z.ToCM/10)/10, "m"), s.Amount(z.Slip, "share"))
	if z.Used > 0 {
		out += fmt.Sprintf(" after %s this year", s.Amount(z.Used, "share"))
	}
	return out + fmt.Sprintf("; %s may.", s.Amount(z.Most, "share"))
}

// LeftAsSeen is why a step was left, as its limb was found at the tree; empty where it was simply left.
func LeftAsSeen(seen string) string {
	switch seen {
	case "not-found":
		return "left: it could not be found at the tree, so look whether the map is right"
	case "dead":
		return "left: it was found dead, so mark it dead on the map; dead wood comes out at any time and counts nothing"
	}
	return ""
}

// Skip is what leaving a tree uncut for a year comes to, beside its plan: heights next winter in cm, and the years from which it is held at
// reach (0: never in the years looked at).
type Skip struct {
	CutCM, UncutCM  float64
	Held, HeldLater int
}

// Skipped says what leaving a tree uncut this year costs.
func (s Speaker) Skipped(k Skip) string {
	says := fmt.Sprintf("Left uncut this year it stands %s next winter instead of %s", s.Amount(k.UncutCM/100, "m"), s.Amount(k.CutCM/100, "m"))
	switch {
	case k.Held == 0:
	case k.HeldLater > k.Held:
		says += fmt.Sprintf(", and is held at reach from %d instead of %d", k.HeldLater, k.Held)
	case k.HeldLater == 0:
		says += fmt.Sprintf(", and is no longer held at reach within ten years (with it, from %d)", k.Held)
	default:
		says += fmt.Sprintf("; it is held at reach from %d all the same", k.HeldLater)
	}
	return says + "."
}
