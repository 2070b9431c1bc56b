package words

import (
	"fmt"
	"strings"

	"vertumna/core/almanac"
	"vertumna/core/pomology"
	"vertumna/core/year"
)

// title and verb of each kind of task: the short word on a bar, the line of the docket, and how it reads when done.
var titles = map[year.TaskKind][2]string{
	year.StandBack: {"stand back", "Stand back and look"}, year.HealthLook: {"look", "Look at its health while in leaf"},
	year.DormantCut: {"winter cut", "Dormant cut"}, year.SummerCut: {"summer cut", "Dry-summer cut"},
	year.RestrainCut: {"restrain", "Restraining cut"}, year.HeightCut: {"height", "Solstice height cut"},
	year.SummerShoots: {"shoots", "Summer shoots"}, year.Sprouts: {"sprouts", "Suckers and water sprouts off"},
	year.SproutVisit: {"sprout visit", "Sprout visit after a hard cut"}, year.AutumnHeight: {"autumn cut", "Autumn height cut"},
	year.PlantingCut: {"planting cut", "Planting cut"}, year.Scaffolds: {"scaffolds", "Choose the scaffolds"},
	year.Notching: {"notch", "Notch low buds"}, year.NotchLook: {"look", "Compare notched and unnotched buds"},
	year.ChooseShoot: {"choose", "Choose one shoot"}, year.Bend: {"bend", "Spread or tie limbs"},
	year.CheckTies: {"ties", "Check the tie"}, year.TakeOff: {"off", "Take the device off"},
	year.FrostCount: {"frost count", "Count frosted buds"}, year.CountSet: {"count", "Look at the set"},
	year.Thin: {"thin", "Thin the fruit"}, year.Bag: {"bag", "Bag the fruit"},
	year.SecondLook: {"second look", "Look again at the thinned limbs"}, year.Unbag: {"bags off", "Bags off red fruit"},
	year.Prop:      {"prop", "Prop or lighten laden limbs"},
	year.LeavesOff: {"leaves off", "Leaves off colouring fruit"}, year.HarvestTask: {"pick", "Harvest"},
	year.Graft: {"graft", "Bud or graft"}, year.GraftLook: {"look", "Look at the graft"},
	year.CarriedCut: {"carried", "Limbs left by the last slip"},
	year.LimbDue:    {"limb due", "Look again at a limb you decided about"},
	year.GraftWood:  {"graft wood", "Cut grafting wood"}, year.Paint: {"paint", "White paint on opened bark"},
	year.YoungCare: {"young care", "Weed, mulch and water"}, year.MeasureHeight: {"measure", "Measure the height"},
	year.Tools: {"tools", "Sharpen and oil the tools"}, year.GiveStake: {"stake", "Give it a stake"},
	year.GiveMulch: {"mulch", "Give it mulch"}, year.GiveWires: {"wires", "Put up wires"},
	year.StoredLook: {"wood", "Look at the stored wood"},
	year.StripFruit: {"fruit off", "Take its fruit off"}, year.FrameCut: {"frame", "A cut for the frame"}, year.FrameSummer: {"frame", "A summer cut for the frame"},
	year.TieArms: {"arms", "Tie the arms"}, year.ReleaseTest: {"let go", "Let it go for a look"},
	year.Repot: {"tub", "A larger tub, or root and crown back"}, year.OwnJob: {"own", "Your own task"},
}

// Title is the line of a task on the docket.
func (s Speaker) Title(t *year.Task) string {
	if t.Title != "" {
		return t.Title
	}
	if t.Step != nil {
		return s.FormTitle(*t.Step)
	}
	if o := rigOf(t); o != nil && o.Limb != "" {
		return titles[t.Kind][1] + ": " + DeviceName(o.Device) + " on " + o.Limb
	}
	if t.Kind == year.DormantCut && t.Mark == year.BloomMark {
		return "Cut at bud swell to bloom"
	}
	return titles[t.Kind][1]
}

// Short is the word on a bar.
func (s Speaker) Short(t *year.Task) string {
	if t.Kind == year.DormantCut && t.Mark == year.BloomMark {
		return "bloom cut"
	}
	return titles[t.Kind][0]
}

// KindTitle names a kind of task.
func KindTitle(k year.TaskKind) string { return titles[k][1] }

var grades = map[string]string{
	"after-its-time": "after its time", "before-its-time": "before its time", "in-its-window": "in its window", "outside-window": "outside its window",
	"breaks-again":           "shoots break again and must be cut twice",
	"buds-knock-off":         "swollen buds knock off: be gentle",
	"buds-still-asleep":      "the buds are still asleep",
	"buds-swollen":           "buds are swollen: be gentle",
	"closes-at-once":         "growing wood closes its wounds at once",
	"deep-dormancy":          "the tree is at full rest",
	"dieback-shows":          "dead wood can be told from live",
	"dormant-by-school":      "dormant, as your school has it",
	"dry-summer":             "dry weather, wounds close fast",
	"end-buds-bear":          "end buds can be seen and kept",
	"frost-may-still-thin":   "frost or natural drop may still thin",
	"fruit-not-seen":         "the set cannot be judged yet",
	"fruit-still-on":         "the fruit is still on: mind it",
	"growth-slows":           "growth slows, what is cut stays cut",
	"late-thin-saves-limbs":  "too late for size, still in time to save limbs",
	"leaves-build-roots":     "leaves build roots now",
	"leaves-lost-no-rest":    "leaves would be lost that feed the roots",
	"mild-autumn":            "mild autumn, a calmer spring",
	"petals-falling":         "bloom is passing: a light cut still does",
	"regrows-at-once":        "the tree is in full growth and regrows at once",
	"reserve-spent":          "the reserve is spent, the tree answers least",
	"shoots-must-ripen":      "what grows after it must ripen before frost",
	"soft-shoots-meet-frost": "soft shoots would meet the frost",
	"still-storing":          "the tree is still storing for winter",
	"stone-only-dry-summer":  "your school cuts stone fruit in dry summer weather only",
	"thin-in-time":           "the size to be gained is still ahead",
	"too-late-to-size":       "too late to gain size",
	"wet-wounds":             "canker and wood rot enter wet wounds",
	"winter-cut-builds":      "a winter cut builds what you want restrained",
	"carried-here":           "carried over to these weeks",
	"winter-height-regrows":  "height taken in winter grows back",
	"winterkill-not-seen":    "winter-killed wood does not show yet",
	"winterkill-shows":       "winter-killed wood shows",
	"worst-cold-over":        "the worst cold is over",
	"wounds-open-in-cold":    "wounds stay open in the cold",
	"wounds-wait-for-growth": "wounds wait for growth to close them",
}

var levels = map[year.Level]string{
	year.Better: "Better", year.Possible: "Can be done", year.Harmful: "Harmful", year.Forbidden: "Not by your school",
}

// Grade says how good a stretch of days is, and why.
func (s Speaker) Grade(g year.Grade) string { return levels[g.Level] + ": " + grades[g.Reason] + "." }

var instead = map[string]string{
	"next-visit":          "Stand back at the next visit, before any cut.",
	"winter-signs":        "Look for thin growth and sunken bark in winter instead.",
	"summer-instead":      "Dead and sick wood now; the rest at the solstice, lightly.",
	"next-dry-summer":     "Dead wood only until the next dry summer weather.",
	"solstice-instead":    "Take the height cut after the solstice instead.",
	"winter-reduction":    "Note the tops; reduce them to side branches in the dormant season, or wait for the next solstice.",
	"spur-in-winter":      "Shorten them in the dormant season.",
	"cut-in-winter":       "They are woody now: cut them as low as possible in the dormant season.",
	"next-solstice":       "Wait for the next solstice.",
	"next-winter":         "Leave it to grow; cut next winter.",
	"choose-in-summer":    "Choose while leafless limbs can still be told apart, or rub out the extra shoots in summer.",
	"next-spring":         "Notch next spring, or cut back to where buds are wanted.",
	"look-in-winter":      "Count them in winter.",
	"choose-in-winter":    "Choose in winter; the wound will be bigger.",
	"next-bending":        "Bend at the next rest or when shoots slow.",
	"check-today":         "Check it today: a tight loop girdles.",
	"take-off-today":      "Take it off today: a grown-in tie kills the limb.",
	"count-at-set":        "Count what has set instead.",
	"count-when-thinning": "Count while thinning.",
	"thin-still":          "Thin still: no more size to gain, but limbs are saved and next year's buds form.",
	"look-when-picking":   "Take what was missed when you next pass.",
	"unbag-still":         "Take them off still; a week of light helps.",
	"prop-still":          "Prop still, or pick early: a torn limb is worse than unripe fruit.",
	"no-bags":             "Leave the bags this year.",
	"leave-leaves":        "Leave the leaves.",
	"pick-what-hangs":     "Pick what still hangs; take fallen fruit up.",
	"next-slip":           "They come back with the next slip.",
	"decide-still":        "Decide still: the next slip acts on it as it stands.",
	"next-graft-season":   "Wait for the next season of grafting.",
	"look-anyway":         "Look all the same.",
	"no-graft-wood":       "Leave it: swollen buds do not take.",
	"paint-still":         "Paint still, on the next dry day.",
	"care-still":          "Weed and water still.",
	"measure-still":       "Measure it when you next pass.",
	"sharpen-still":       "Sharpen them before the next cut.",
	"stake-still":         "Stake it all the same.",
	"mulch-still":         "Mulch it all the same.",
	"wires-still":         "Put them up before the next tying.",
	"repot-winter":        "Do it in the next dormant season.",
	"strip-still":         "Take them off still: each one costs a shoot.",
	"frame-later":         "It can wait a winter: the training page says what is second best.",
	"frame-next":          "Leave it now; choose in winter.",
	"tie-later":           "Tie still while the wood is thin.",
	"test-still":          "Let it go and look all the same.",
	"own-still":           "Do it, or let it go.",
}

// Instead says what to do when a window was missed, and where its work went.
func (s Speaker) Instead(t *year.Task) string {
	says := instead[t.Instead]
	switch {
	case says == "":
		return ""
	case t.Heir != nil:
		went := year.Task{Kind: t.Heir.Kind, Mark: t.Heir.Mark}
		return fmt.Sprintf("%s What is left of it goes on to \u201c%s\u201d, from %s.", says, s.Title(&went), s.Day(t.Heir.Opens))
	}
	return says
}

var cautions = map[string]string{
	"saw":           "Saw and loppers: gloves and eyes covered; see where the limb will fall, nobody under it.",
	"wet-bark":      "Stop in wind, ice and on wet bark.",
	"ladder":        "Ladder: firm ground, three points of contact, not alone. Better a lower tree.",
	"arborist":      "Limbs over about 10 cm or over a roof: a licensed arborist.",
	"power-lines":   "Power lines near: do not cut; call the network's owner.",
	"fig-sap":       "Fig sap irritates skin: gloves.",
	"bleeds":        "Mulberry bleeds when cut late in winter: small cuts, early.",
	"thorns":        "Thorns: thick gloves.",
	"clean-tools":   "Clean tools with alcohol between trees and after sick wood; strong vinegar or spirit of the kitchen will do.",
	"clean-cuts":    "Clean the blade with alcohol at every cut.",
	"burning":       "Sick wood leaves the plot; burn only where local rules allow.",
	"heat":          "Not above 33 °C: bared bark scalds.",
	"under-load":    "Do not stand under a laden limb; set the prop from the side, with someone to hold.",
	"knife":         "Knife: cut away from the hand.",
	"springs":       "Eyes covered: sticks and wires spring when they come loose.",
	"brittle-frost": "Not below -4 °C: wood is brittle.",
}

// LocalRules stands under every plan shown.
const LocalRules = "Local rules and licensed practice come first."

// Cautions says the cautions of a task; local rules come last, always.
func (s Speaker) Cautions(slugs []string) []string {
	out := make([]string, 0, len(slugs)+1)
	for _, c := range slugs {
		if t := cautions[c]; t != "" {
			out = append(out, s.Own(t))
		}
	}
	return append(out, LocalRules)
}

// Other says what another school would do.
func (s Speaker) Other(o year.Other) string {
	name := o.Preset
	for _, p := range pomology.Presets() {
		if p.Slug == o.Preset {
			name = p.Name
		}
	}
	if o.Never {
		return name + ": would not do it."
	}
	return name + ": " + titles[o.Kind][1] + ", " + s.Day(o.Opens) + " to " + s.Day(o.Closes) + "."
}

// Aim says the aim of a tree and where it comes from.
func (s Speaker) Aim(a year.AimVerdict) string {
	switch a.Rule {
	case "said":
		return string(a.Aim) + ", as you set it"
	case "formation":
		return string(a.Aim) + ", while it is in formation"
	}
	return string(a.Aim) + ", by your school"
}

// StageName names the stage a tree stands at.
func (s Speaker) StageName(stage string) string {
	if stage == "dormant" {
		return "dormant"
	}
	return s.Anchor(stage)
}

// Account says how a tree's account stands.
func (s Speaker) Account(a *year.Account) string {
	about := ""
	if a.Estimated {
		about = "about "
	}
	switch {
	case a.Exempt:
		return "In formation: hard cuts are exempt by your school; " + about + s.Amount(a.Removed, "share") + " has gone."
	case a.Removed == 0:
		return "Nothing cut this year; " + s.Amount(a.Limit, "share") + " may go."
	case a.Reached():
		return about + s.Amount(a.Removed, "share") + " has gone: the line of " + s.Amount(a.Limit, "share") + " is reached."
	}
	return about + s.Amount(a.Removed, "share") + " of " + s.Amount(a.Limit, "share") + " has gone; " + s.Amount(a.Left, "share") + " of what stands may still go."
}

// OverLimit says that a cut took more than might still go, and asks why.
func (s Speaker) OverLimit(share float64, a *year.Account) string {
	return fmt.Sprintf("That is %s where %s might still go this tree year. Correct the entry with your reason, if you had one: next year's plan shows it. Expect strong shoots, and rub them out soft.",
		s.Amount(share, "share"), s.Amount(max(0, a.Left), "share"))
}

// RootsUnder says that roots may get under a building; empty where none is named.
func RootsUnder(building string) string {
	if building == "" {
		return ""
	}
	return "Its roots may reach " + building + ": one more reason for a small top, since roots follow the top. For foundations ask someone who knows them."
}

// Season says where the yard's trees stand on a day, and what comes next.
func (s Speaker) Season(p *year.Plan, day almanac.Day) (stage, next string) {
	count := map[string]int{}
	best, soonest, soon := "dormant", almanac.NoDay, ""
	for i := range p.Trees {
		tp := &p.Trees[i]
		count[tp.Stage]++
		for _, st := range almanac.AllStages() {
			if d := tp.Anchors.Day(st.String()); d.Known() && d > day && (!soonest.Known() || d < soonest) {
				soonest, soon = d, s.Anchor(st.String())+", "+tp.Tree.Code
			}
		}
	}
	names := []string{"dormant", year.InLeaf}
	for _, st := range almanac.AllStages() {
		names = append(names, st.String())
	}
	for _, n := range names {
		if count[n] > count[best] {
			best = n
		}
	}
	stage = s.StageName(best)
	if len(p.Trees) == 0 {
		return "No trees yet", ""
	}
	if soon == "" {
		return upper(stage), "nothing more this year"
	}
	return upper(stage), upper(soon) + " in " + s.Amount(float64(soonest-day), "days")
}

func upper(t string) string {
	if t == "" {
		return t
	}
	return strings.ToUpper(t[:1]) + t[1:]
}

var points = map[string]string{
	"kinds-order": "how well the kind takes this form", "wall-close": "a wall or fence within 60 cm", "path-in-spread": "a path within its spread",
	"short-reach": "your reach is short", "air-in-wet-places": "damp summers or winters want air", "strong-sun": "strong sun",
	"sunscald-of-bark": "peach bark burns in an open middle", "bed-behind": "a bed behind it would be shaded",
	"hours": "it asks for more hours than you have", "school-form": "your school's form",
}

// Point says one reason of the form adviser.
func (s Speaker) Point(rule string) string { return s.Own(points[rule]) }

// rigOf is the device a task is about.
func rigOf(t *year.Task) *year.Clocked {
	if len(t.Reasons) == 0 {
		return nil
	}
	return t.Reasons[0].Rig
}
