package words

import (
	"strings"

	"vertumna/core/cut"
	"vertumna/core/limb"
	"vertumna/core/pomology"
	"vertumna/core/year"
)

// reasons are the sentences of every rule of the year. {day} is the date, {n} the number and {t} the threshold in their
// unit, {text} what a person or a table said, {value} the name of the school's value, {anchor} the anchor's name.
var reasons = map[string]string{
	"own-task":     "Your own task.",
	"part-done":    "Part of it was done on {day}; the rest is still open.",
	"carried-over": "Left over from {day}: {text}",
	"from-slip":    "The slip has {n}, {t} of the crown: {text}.",
	"carried-limb": "From the slip of {day}: {text}.",
	"carried-more": "And {n} more.",
	"limb-due":     "{text}: {value}; you said to look again on {day}.",
	"limb-due-why": "You said: {text}",

	"look-before-cutting": "The first step is never a cut: walk round it and decide the few cuts that matter.",
	"young-look-first":    "A young tree is looked at before anything is cut: few cuts make its frame.",
	"host-outside":        "{text}",
	"leaves-tell":         "Limbs that struggle show while they are in leaf; mark them for the winter.",

	"aim-build":           "Aim: build. Winter cuts call up strong growth.",
	"aim-hold":            "Aim: hold. Winter for frame and air; the height comes off in summer, and its share is kept.",
	"aim-restrain":        "Aim: restrain. Summer cuts come first; only dead wood goes in winter.",
	"aim-restore":         "Aim: restore. Big dead and crossing wood first, over two to four years.",
	"aim-hold-dormant":    "Aim: hold. The height goes with the winter cut, as your school has it.",
	"aim-hold-winter":     "Aim: hold. Frame, air and height all go with the winter cut.",
	"aim-hold-low":        "Aim: hold. Winter for frame and air; no height is to come off this summer.",
	"aim-build-summer":    "Aim: build. Only what is too high or too strong goes in summer.",
	"aim-hold-summer":     "Aim: hold. The height goes now, when the tree answers least.",
	"aim-restrain-summer": "Aim: restrain. This is the year's cut: leaf lost now calms the tree.",
	"aim-restore-summer":  "Aim: restore. What is still too high, when the tree answers least.",
	"aim-retire":          "Aim: retire. The crop now, and no more work in the wood.",
	"bears-on":            "Bears on {text}.",

	"no-leaf-cut-low":               "A summer's growth leaves it below your reach: no cut in leaf this year but sick wood and suckers.",
	"no-leaf-cut-frame":             "While its frame is built, what is pinched or levelled in leaf stands on its training page; no other cut in leaf but sick wood and suckers.",
	"no-leaf-cut-young":             "Every leaf builds a tree in its first summer: no cut in leaf but sick wood and suckers.",
	"no-leaf-cut-build":             "Aim: build. Leaves build it: no cut in leaf but sick wood and suckers.",
	"no-leaf-cut-retire":            "Aim: retire. No cut in leaf but sick wood and suckers.",
	"no-leaf-cut-shrub":             "A shrub is renewed from the ground in winter: no cut in leaf but sick wood and suckers.",
	"no-leaf-cut-dormant-reduction": "Your school takes the height with the winter cut: no cut in leaf but sick wood and suckers.",
	"no-leaf-cut-autumn-frost":      "Your school takes the height in autumn, and the winter here is too cold for the soft shoots that would follow: no cut in leaf but sick wood and suckers.",
	"no-leaf-cut-short-summer":      "The summer here ends before shoots could ripen: no cut in leaf but sick wood and suckers.",

	"pome-last-six-weeks":         "Bud break about {day}; the cut belongs in the six weeks before it, when the worst cold is over.",
	"pome-deep-dormancy":          "Bud break about {day}; your school cuts in deep dormancy, three weeks clear of leaf fall and of bud swell.",
	"pome-after-bud-break":        "Bud break about {day}; your school waits for it, since cuts then close at once.",
	"stone-bud-swell-to-bloom":    "Full bloom about {day}; from bud swell on, winter-killed wood shows and fruit buds can be counted.",
	"stone-dormant":               "Bud swell about {day}; your school cuts stone fruit while it is dormant.",
	"wet-winter-warning":          "Rain falls on {n} of winter days here; above {t}, silver leaf, bacterial canker and wood rot enter winter wounds of stone fruit.",
	"stone-dry-summer":            "Stone fruit is kept for dry summer weather: rain falls on {n} of winter days here, and wet wounds let silver leaf, canker and wood rot in.",
	"opens-after-fruit":           "Opens about {day}, when the fruit is off or five weeks after the solstice.",
	"before-frost":                "Closes {day}, so that shoots ripen before the frost.",
	"short-summer-dead-wood-only": "The summer here is too short for a full cut: dead wood and height only, until {day}.",
	"dieback-shows":               "Bud break about {day}: live wood can be told from dead when its buds move.",
	"end-buds-bear":               "Bud break about {day}. End buds carry the crop: take whole limbs, not all the tips.",
	"height-with-dormant":         "Your school takes height now, back to weaker outward side branches.",
	"shrub-renewal":               "A shrub of {n} to {t} stems: take the oldest out at the ground.",
	"dead-wood-only":              "Dead, sick and broken wood only.",

	"fruit-set-seen":         "Opens {day}, when the fruit that set can be seen.",
	"reserve-spent":          "Closes {day}: until the solstice the reserve is spent and the tree answers least.",
	"height-over-reach":      "It stands at {n}, and you pick to {t}.",
	"height-will-pass-reach": "By the end of summer it will stand at about {n}; you pick to {t}.",
	"height-unknown":         "Height not measured yet; you pick to {t}.",
	"closes-for-ripening":    "Closes {day}, so that what grows after it still ripens.",
	"level-first-summer":     "First summer of a low bush: cut all shoots back to one level.",

	"height-solstice-five-weeks": "From the solstice on {day} growth slows, and a cut restrains.",
	"height-midsummer-fruit-bud": "From the solstice on {day}: cut about 5 cm into last year's wood, just above a fruit bud, which costs no fruit.",
	"shoots-five-leaves":         "Shoots slow about {day}: shorten this year's to about five leaves.",
	"shoots-upright-out":         "Shoots slow about {day}: take out the upright ones and leave the level ones.",
	"flat-form-needs-it":         "A flat form needs it every summer.",
	"long-shoots":                "Its shoots grew {n}; the kind's usual is {t}.",
	"strong-stock":               "It stands on {text} stock.",
	"autumn-height":              "Before leaf fall on {day} in a mild winter: a calmer spring.",
	"autumn-needs-mild-winter":   "Not here: the coldest month falls to {n} on average, and soft shoots freeze below {t}.",

	"planting-head-low":         "Head it low and shorten all: the roots left in the ground cannot feed a long top.",
	"planting-almost-none":      "Cut almost nothing in the first year: leaves build roots.",
	"form-height":               "Planted for: {text}.",
	"before-bud-break":          "Before bud break, about {day}.",
	"choose-scaffolds":          "Before bud break about {day}, choose {value} limbs, spread round the trunk; the rest go.",
	"centre-first":              "The middle first, with one cut: a young tree closes it in a season, an older one is hurt by it for years.",
	"lower-once-more":           "The same visit lowers the whole tree once more.",
	"notch-low-buds":            "Notch just above low buds, between knee and hip, in the four weeks before bud break about {day}. Through the bark and no deeper: a saw goes right through a thin stem.",
	"notch-needs-care":          "First its stake, mulch and water: a woken bud grows only on a tree that stands firm and drinks.",
	"fair-trial":                "Leave a few buds unnotched and compare.",
	"treated-against-untreated": "Eight weeks on: how many notched buds broke, and how many others?",
	"first-three-years":         "Year {n} of the first {t}: weeds, drought and bare soil cost a young tree most.",
	"young-stake":               "A tree in its first two years stands better with a stake.",
	"form-stake":                "A {text} stands on one thin trunk: it needs a stake for life.",
	"form-unusual":              "A {text} is not this kind's shape: it grows, sets and ripens better as {value}.",
	"weak-stock-stake":          "On {text} stock it needs a stake for life.",
	"young-mulch":               "A young tree without mulch loses the water it needs: a ring {n} across, a hand deep, a hand clear of the bark.",
	"form-needs-wires":          "The form needs wires: {text}.",
	"crown-outgrows-tub":        "The crown measures {n}; this tub feeds about {t}.",

	"rub-out-soft":           "Shoots reach a finger's length about {day}: rub suckers and water sprouts out while soft.",
	"keep-one-to-fill-a-gap": "One may stay to fill a gap or for grafting wood.",
	"hard-cut-share":         "{n} went on {day}; from {t} on a tree answers with sprouts.",
	"hard-cut-wound":         "A wound of {n} was made on {day}; from {t} on a tree answers with sprouts.",
	"sprouts-below":          "The roots still feed the old crown, and it bursts out where it was cut: look first just below the cuts on {text}.",
	"small-first":            "Small yet: it is left to grow to about {n} before anything is trained.",
	"sprout-visit":           "Look for sprouts {n} after growth starts or the cut was made.",
	"height-at-solstice":     "Measure its height at the solstice, {day}.",
	"days-uncertain":         "The window is {n} long and its forecast spans {t}: go by what the tree shows, not by the date.",
	"one-of-several":         "A stub or heading cut woke several shoots: choose one, about {day}.",
	"device-set":             "By your school the {text} comes off from {day}.",
	"device-tight":           "The loop of the {text} is tight: a limb of its thickness has no room left.",
	"device-gust":            "After the wind of {day}: does the {text} still sit?",
	"device-move":            "Six months on: shift the loop of the {text} and widen it.",
	"device-worn":            "The {text} is worn out about {day}: renew it, or take it off if the limb stays.",
	"device-test":            "Let the {text} go for an hour about {day}. If the limb springs back more than 10 degrees, put it back at another place until midsummer; if it stays, it is set.",
	"device-settles":         "A week on: does the {text} still sit where it was put?",
	"device-monthly":         "Monthly in growth: is there room between {text} and bark?",
	"narrow-limbs":           "Limbs are wanted at about {n} from vertical; narrow ones trap bark and split.",
	"bend-in-rest":           "In rest, until bud swell about {day}; not below -4 °C, wood is brittle then.",
	"bend-when-slowing":      "When shoots slow, about {day}, they bend and stay.",
	"bark-open":              "Bark was newly opened to the sun on {day}.",
	"tools-hours":            "{n} of cutting since they were last sharpened.",
	"tools-cuts":             "{n} since they were last sharpened.",

	"frost-night":               "It fell to {n}; one fruit bud in ten dies at {t} at this stage.",
	"frost-first-count":         "After frost about {n} of the fruit buds are alive: count first, thin little or not at all.",
	"thin-at-bloom":             "Your school thins at bloom, from {day}.",
	"thin-at-fruitlet":          "Fruitlets reach {n} about {day}.",
	"thin-before-stone-hardens": "Fruitlets are about {n} from {day}, three weeks after bloom at the latest; thin before the stone hardens.",
	"thin-after-drop":           "Natural drop ends about {day}; what the tree lets go need not be thinned.",
	"frost-danger-first":        "Frost can still come until {day}, one year in ten; let it thin first.",
	"spacing-one-per-cluster":   "One fruit a cluster, clusters {n} to {t} apart.",
	"spacing-two-per-cluster":   "Two fruit a cluster, clusters {n} to {t} apart.",
	"spacing-hand":              "One fruit to a hand's width.",
	"spacing-10-cm":             "One fruit every 10 cm.",
	"spacing-15-cm":             "One fruit every 15 cm.",
	"count-before-thinning":     "From {day}: count two or three limbs before you thin.",
	"glance-at-set":             "From {day}: a glance at how much has set, for the load on its limbs.",
	"frost-counted":             "Of the buds cut open on {day}, {n} were alive; for the rest of the tree at least {t}.",
	"fruit-measured":            "Fruitlets measured {n} on {day}, where {t} was expected: the days follow the fruit.",
	"thin-for-next-year":        "What is off by {day}, 30 days after bloom, also leaves buds for next year; later it gains size and saves limbs.",
	"thin-after-next-year":      "Next year's buds are laid from {day} on, before natural drop is over here: these weeks gain size and save limbs.",
	"thin-only-after-count":     "Thin nothing before the set is counted; only touching and damaged fruit off.",
	"open-buds":                 "Cut {n} across, low, middle and high, on all sides; {t} make it sure.",
	"thin-number":               "Leave {n}, take {t}.",
	"thin-skip":                 "Not too many hang: leave up to {n}. Only damaged, twin and touching fruit off.",
	"thin-strip":                "It is to carry none this year: all {n} off.",
	"count-limbs":               "Count {n} more of {t} for a good number.",
	"comes-in-rebound":          "It froze in {n}, so it comes back heavy: thin more than usual.",
	"comes-in-on-load":          "Last year's load was {n} a medium one, so it blooms in full: thin with care.",
	"comes-in-off-load":         "Last year's load was {n} a medium one, so it rests: no singles off, only touching and damaged fruit.",
	"comes-in-on-beat":          "By the beat of its years this is a full one: thin with care.",
	"comes-in-off-beat":         "By the beat of its years it rests: no singles off, only touching and damaged fruit.",
	"second-look":               "Thinned on {day}; a week later what was hidden shows.",
	"second-again":              "{n} still carry too many.",
	"bags":                      "{n} for what is left.",
	"unbag-to-colour":           "Bagged on {day}. Red fruit colours in the light of its last weeks; yellow and green may keep its bags.",
	"unbag-harvest":             "Three weeks before harvest about {day}, on a dull day, so that the skin does not burn.",
	"prop-limb":                 "{text} carries {t} of what is safe: a padded, forked prop {n} from its base, thin it, or shorten it.",
	"prop-not-enough":           "{text} carries {t} of what is safe, and a prop {n} from its base does not hold it: thin or shorten it first.",
	"crop-coming":               "About {n} are coming.",
	"bag-after-thinning":        "Bags go on thinned, dry fruit.",
	"thinning-first":            "Thinning comes first.",
	"spray-label":               "If you spray before bagging: the label and local law decide.",
	"colour-before-harvest":     "Three weeks before harvest about {day}, leaves off the fruit let it colour.",
	"ripe-by-heat":              "Ripe about {day} by this year's warmth; taste decides.",
	"not-before-date":           "Late kinds follow the calendar more than the heat.",
	"spare-the-spur":            "Hold the spur and turn the fruit off: next year's bud stands beside the stalk.",
	"log-kilos":                 "Log the kilos and the count: next year's plan reads them.",
	"stored-wood":               "In its first days and then monthly: no visible drops, no mould, buds still asleep.",
	"stored-in-paper":           "Damp paper moulds sooner than sawdust: weekly in the first month. No visible drops, no mould, buds still asleep.",
	"graft-a-month-on":          "Wood is grafted about a month after it was cut, when the host begins to move.",
	"graft-season":              "Grafting season ({text}) from {day}.",
	"first-fruit-off":           "Take the first year's fruit off the graft; on a strong limb of a grown tree a few may stay.",
	"did-it-take":               "Four weeks on: did it take?",
	"single-buds-asleep":        "Until the buds move, about {day}: pencil thick (a little thicker for stone fruit), upper sunny shoots, single buds asleep.",

	"graft-wood-late": "Later, while buds swell, only for grafting at once, and kept cold until then.",
	"head-whip":       "Head the whip at {n}, above a bud on the windward side, with three or four buds below it spread round the stem.",
	"head-branched":   "Head it at {n}, above three or four good buds or shoots round the stem; what is kept is shortened to an outward bud.",
	"deep-cold-first": "Not before {day}: deep cold kills back a fresh cut.",

	"forbidden-until":          "Waits for dry summer weather, about {day}; dead wood may go in any dry week.",
	"limit-reached":            "{n} has gone this year; your limit is {t}. Only dead and sick wood until leaf fall.",
	"company-no-partner":       "No partner for it stands here: it will set little.",
	"company-short-overlap":    "Its partners bloom together with it for only {n}; it wants {t}.",
	"company-bloom-unknown":    "Bloom cannot be predicted here, so company cannot be judged.",
	"company-partner-hard-cut": "Its partner was cut so hard that it may not bloom.",
	"others-depend":            "Its bloom is the only one that serves {n} here: think before removing it or cutting it hard.",
	"not-for-low-tree":         "Does not suit the low-tree method: {text}.",
	"low-tree-with-care":       "Suits a low tree with care: {text}.",
	"chill-short":              "The winter is too warm for it: it gathers about {n} chill portions of the {t} it wants. Late, ragged leafing and bloom; trust dates to a fortnight only.",
	"chill-unmet":              "Winters here are too warm for this kind or chill class: about {n} chill portions of the {t} it wants. No bloom is predicted.",
	"chill-thin":               "Little winter cold to spare: a warm winter here gathers about {n} chill portions, and it wants {t}. In such a year bloom is late and thin.",
	"unlogged-winters":         "No cut is logged of it in {n}. If none was made either, begin lightly: dead and sick wood, then a few whole limbs; do not make up for the years in one.",
	"wet-on-wounds":            "Rain on {n} since the cut of {day}: look at its wounds in a dry week. {text}",
	"brown-rot":                "{n} of rain in the last five, and warm: take cracked and touching fruit off, and what is brown, before it spreads.",
	"prop-gust":                "Gusts of {n} on {day}: do the props stand, and does nothing rub?",
	"stake-gust":               "Gusts of {n} on {day}: does the stake stand, does its tie sit, does the bark rub?",
	"does-not-ripen":           "By warmth alone its fruit does not ripen here in most years; log your own harvest.",
	"class-guessed":            "Vigour class not known; by {value} it grows like {text}. Nothing is worked out from that: set the class if you know it.",
	"class-unknown":            "Vigour class not known: with the trunk and last year's shoots measured, it can be guessed.",
	"strong-stock-costs":       "On {text} stock, holding it low costs about {n} more each summer.",
	"tied-limb-locked":         "{n} on: a tied limb stays out of the cut until its tie moves.",
	"observations-disagree":    "Stages logged this year contradict each other and were set aside; correct one of them.",
	"choice-unfit":             "Your choice '{value}' does not suit this place ({text}).",
}

// guesses are what a vigour class was guessed from.
var guesses = map[string]string{
	"trunk-for-age": "its trunk for its age", "long-shoots": "its long shoots", "usual-shoots": "its shoots of usual length", "short-shoots": "its short shoots",
}

// Reason says one line of evidence.
func (s Speaker) Reason(r year.Reason) string {
	if r.Step != nil {
		return s.FormStep(*r.Step)
	}
	t, ok := reasons[r.Rule]
	if !ok {
		return ""
	}
	value := r.Value
	if r.Rule == "limb-due" {
		value, _ = s.LimbState(limb.State{Kind: r.Value})
	}
	if r.Rule == "form-unusual" {
		value = FormName(pomology.FormSlug(r.Value))
	}
	if g, ok := guesses[r.Value]; ok {
		value = g
	}
	if _, v, err := pomology.Find(r.Choice, r.Value); err == nil {
		value = s.Own(v.Name)
	}
	t = strings.NewReplacer(
		"{day}", s.Day(r.Day), "{n}", s.Amount(r.Number, r.Unit), "{t}", s.Amount(r.Threshold, thresholdUnit(r)),
		"{text}", s.text(r), "{value}", value, "{anchor}", s.Anchor(r.Anchor),
	).Replace(s.Own(t))
	return t
}

// thresholdUnit is the unit of a reason's second number: its own, but for a slip's share.
func thresholdUnit(r year.Reason) string {
	switch r.Rule {
	case "from-slip", "prop-limb", "prop-not-enough":
		return "share"
	}
	return r.Unit
}

// text names what a reason quotes: a slug of a table, or a person's own words.
func (s Speaker) text(r year.Reason) string {
	switch r.Rule {
	case "bears-on":
		return pomology.Bearing(r.Text).Habit().Wood
	case "form-height", "lower-once-more", "form-needs-wires", "form-stake", "form-unusual":
		return FormName(pomology.FormSlug(r.Text))
	case "carried-limb":
		return r.Limb.Limb + ", " + findings[r.Limb.Code].name + ": " + s.Why(cut.Carried{Why: r.Limb.Why, CM: r.Limb.CM}, !r.Limb.Summer)
	case "wet-on-wounds":
		return map[string]string{string(pomology.Stone): "Gum, sunken bark: canker and silver leaf enter wet wounds of stone fruit.", string(pomology.Pome): "Sunken, split bark: canker enters wet wounds."}[r.Text]
	case "host-outside":
		return fromOutside(r.Value, r.Text)
	case "carried-over":
		if r.Text == "" {
			return "no reason given."
		}
	}
	if r.Rig != nil {
		return DeviceName(r.Text) + rigLimb(r.Rig)
	}
	return strings.ReplaceAll(r.Text, "_", " ")
}

// FormName is the name of a form.
func FormName(f pomology.FormSlug) string {
	form, err := pomology.FormBySlug(f)
	if err != nil {
		return string(f)
	}
	return form.Name
}

var anchorNames = map[string]string{
	"bud_swell": "bud swell", "bud_break": "bud break", "first_bloom": "first bloom", "full_bloom": "full bloom",
	"petal_fall": "petal fall", "fruit10": "fruitlets of 10 mm", "fruit18": "fruitlets of 18 mm", "fruit24": "fruitlets of 24 mm",
	"fruit14": "fruitlets of 14 mm", "fruit19": "fruitlets of 19 mm", "pit_hardening": "stone hardening", "drop_end": "end of natural drop",
	"shoot_slowing": "growth slowing", "harvest_start": "harvest", "leaf_fall": "leaf fall", "leaf_fall_before": "leaf fall",
	"harvest_end": "end of harvest", "shoots_10_cm": "shoots of 10 cm", "deep_dormancy": "deep dormancy", "deep_dormancy_end": "end of deep dormancy",
	"summer_solstice": "summer solstice", "winter_solstice": "winter solstice", "last_spring_frost_50": "last spring frost, every other year",
	"last_spring_frost_10": "last spring frost, one year in ten", "first_autumn_frost_50": "first autumn frost, every other year",
	"planting": "planting", "logged": "the day it was logged", "date": "your date", "dormant": "dormancy", "in_leaf": "in leaf",
}

// Anchor names an anchor or stage.
func (s Speaker) Anchor(name string) string {
	if n, ok := anchorNames[name]; ok {
		return s.Own(n)
	}
	return strings.ReplaceAll(name, "_", " ")
}

// Bound says one side of a window with its span and where it comes from.
func (s Speaker) Bound(b year.Bound) string {
	if !b.Day.Known() {
		return "open: " + s.Anchor(b.Anchor) + " is not reached here"
	}
	t := s.Day(b.Day)
	if b.Source == "predicted" && b.Early.Known() && b.Late.Known() && b.Late > b.Early {
		t += ", give or take " + s.Amount(float64(max(b.Late-b.Day, b.Day-b.Early)), "days")
	}
	switch {
	case b.Anchor == year.DateSaid:
		return t
	case b.OffsetDays == 0:
		t += " (" + s.Anchor(b.Anchor)
	case b.OffsetDays > 0:
		t += " (" + weeksOrDays(b.OffsetDays) + " after " + s.Anchor(b.Anchor)
	default:
		t += " (" + weeksOrDays(-b.OffsetDays) + " before " + s.Anchor(b.Anchor)
	}
	if b.Source == "observed" {
		t += ", seen"
	}
	return t + ")"
}

func weeksOrDays(n int) string {
	if n%7 == 0 {
		return Speaker{}.Amount(float64(n/7), "weeks")
	}
	return Speaker{}.Amount(float64(n), "days")
}
