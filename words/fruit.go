package words

import (
	"fmt"
	"math"
	"strings"

	"vertumna/core/almanac"
	"vertumna/core/crop"
	"vertumna/core/pomology"
)

// fruitRules name the rules that set a number of fruit: the short name, and what the number comes from.
var fruitRules = map[string][2]string{
	crop.ByYouth:     {"Youth", "a young tree's frame comes first"},
	crop.ByStrength:  {"Strength", "what its wood carries safely"},
	crop.ByDensity:   {"Girth", "fruit by the thickness of its wood"},
	crop.ByLeaves:    {"Leaves", "what its leaves can feed"},
	crop.BySpacing:   {"Spacing", "room along the bearing wood"},
	crop.ByHousehold: {"Household", "what you want of it"},
}

// FruitRule names a rule that sets a number of fruit, and says what it comes from.
func FruitRule(kind string) (name, from string) { return fruitRules[kind][0], fruitRules[kind][1] }

// Binding says which rule binds and what the next one would allow.
func Binding(lines []crop.Line, binding string) string {
	if len(lines) == 0 {
		return ""
	}
	least, next := 0, crop.Line{Fruit: math.MaxInt}
	for _, l := range lines {
		if l.Kind == binding {
			least = l.Fruit
		} else if l.Fruit < next.Fruit {
			next = l
		}
	}
	says := fmt.Sprintf("%s binds: %d fruit", fruitRules[binding][0], least)
	if next.Kind != "" {
		says += fmt.Sprintf("; %s would allow %d", strings.ToLower(fruitRules[next.Kind][0]), next.Fruit)
	}
	return says + "."
}

// Picked says that a tree's fruit came in, and what came.
func (s Speaker) Picked(on almanac.Day, was crop.Season) string {
	var came []string
	if was.KG != nil {
		came = append(came, s.Amount(*was.KG, "kg"))
	}
	if was.Picked != nil {
		came = append(came, s.Amount(float64(*was.Picked), "fruit"))
	}
	says := "Picked by " + s.Day(on)
	if len(came) > 0 {
		says += ": " + strings.Join(came, ", ")
	}
	return says + ". None hangs on it any more."
}

// Count says a tree's number from its counted limbs, and how sure it is.
func (s Speaker) Count(c *crop.Count, limbs int) string {
	more := ""
	if c.CountMore > 0 {
		more = fmt.Sprintf(" Count %s more.", s.Amount(float64(c.CountMore), "limbs"))
	}
	switch c.Verdict {
	case crop.CountedAll:
		return fmt.Sprintf("%.0f fruit, every limb counted.", c.Fruit)
	case crop.NoneSeen:
		return fmt.Sprintf("None seen; up to %.0f may hang where nobody looked.", c.High) + more
	case crop.TooFew:
		return fmt.Sprintf("Too few to tell the tree's number by.%s", more)
	}
	return fmt.Sprintf("About %.0f fruit, %.0f to %.0f nine times in ten, from %.0f %% of its wood.", c.Fruit, c.Low, c.High, 100*c.Fraction) + more
}

var whethers = map[string]string{
	"strip":   "It is to carry none this year: all off.",
	"nothing": "Nothing hangs, and nothing is to be thinned.",
	"skip":    "No thinning worth the walk: only damaged, twin and touching fruit off.",
	"light":   "A light thinning.",
	"full":    "A full thinning: most come off, and that is right.",
}

// Whether says if thinning is worth it, by what was counted.
func Whether(verdict string, counted bool) string {
	if !counted && verdict != "strip" {
		return "Not counted yet: count two or three limbs, or look, before you decide."
	}
	return whethers[verdict]
}

var timeReasons = map[string]string{
	"kind": "This kind's set is left to the tree.", "frost": "A killing frost can still come; let it thin first.",
	"size": "The fruit decides by its size.", "bloom": "Your school thins in bloom: largest fruit, and all lost to one night.",
	"stone_hard": "The stone is hard: little size to gain, but limbs are saved.", "drop": "Natural drop decides; what the tree lets go need not be thinned.",
	"time": "Three weeks past natural drop: little size to gain, but limbs are saved.",
}

var timeStates = map[string]string{"not_thinned": "Not thinned", "wait": "Wait", "open": "Thin now", "closing": "Thin now, the window closes", "late": "Late, thin still"}

// ThinTime says whether to thin now and why.
func (s Speaker) ThinTime(t *crop.Time, mm float64, measured bool) string {
	says := timeStates[t.State] + ". " + timeReasons[t.Reason]
	if mm > 0 && t.State != "not_thinned" {
		how := "expected at about "
		if measured {
			how = "measured at "
		}
		says += " Fruitlets " + how + s.Amount(mm, "mm") + "."
	}
	if t.DaysToOpen != nil && *t.DaysToOpen > 0 && t.State == "wait" && t.Reason == "size" {
		says += " About " + s.Amount(float64(*t.DaysToOpen), "days") + " to go."
	}
	return says
}

var cropWarnings = map[string]string{
	crop.WSpan:         "A hand that wide is a stretched one: half of it is taken.",
	crop.WHandDefault:  "No hand was measured: 10 cm is taken.",
	crop.WNotThinned:   "This kind's set is left to the tree; limbs and props decide.",
	crop.WOverload:     "More hangs than its limbs carry safely.",
	crop.WFrostRisk:    "A killing frost can still come: leave more at first.",
	crop.WNextYear:     "More than 45 days after bloom: too late to help next year's buds.",
	crop.WNoBearing:    "No limb may bear this year.",
	crop.WWoodAlone:    "The bare limb alone is too much for its attachment.",
	crop.WNoLimit:      "No crop is too heavy for it.",
	"W_NEVER_WEIGHED":  "No harvest was both weighed and counted: the kind's usual fruit is taken.",
	"W_GLANCE":         "From a look, not from a count.",
	"W_DROP_TO_COME":   "Counted before natural drop is over: what will still fall is taken off.",
	"W_NO_FLOWER_BUDS": "Its map shows no flower buds: look again before you trust this count.",
}

// CropWarning says a warning of the fruit models; "" for one that is told elsewhere.
func (s Speaker) CropWarning(code string) string { return s.Own(cropWarnings[code]) }

// Sentences of a limb's load.
var loadStates = map[string]string{
	crop.LoadOK: "carries it easily", crop.LoadWatch: "carries it, with little to spare", crop.LoadOver: "carries more than is safe",
	crop.LoadDanger: "is near breaking",
}

// LoadState says how a limb bears its load.
func LoadState(state string) string { return loadStates[state] }

// Load says what would save a limb, the best first; empty for one that is safe.
func (s Speaker) Load(l *crop.LimbAt) []string {
	if l.State == crop.LoadOK || l.State == crop.LoadWatch {
		return nil
	}
	var out []string
	off := fmt.Sprintf("Take %d of its %d fruit: %d are safe.", l.Remove, l.Fruit, l.SafeFruit)
	if l.SafeFruit == 0 {
		off = "Thinning alone does not save it: even its bare wood is too much here."
	}
	short := ""
	if l.ShortenToCM != nil {
		short = fmt.Sprintf("Shorten it to %s, with %d fruit.", s.Amount(float64(*l.ShortenToCM), "cm"), *l.FruitAfterShortening)
		if *l.FruitAfterShortening > l.SafeFruit {
			short = strings.TrimSuffix(short, ".") + ": more than thinning leaves, for fruit near the trunk breaks fewer limbs."
			out = append(out, short)
			short = ""
		}
	}
	if l.PropHolds {
		out = append(out, "Or keep the fruit and set a padded, forked prop "+s.Amount(float64(l.PropAtCM), "cm")+" from its base, under a side fork.")
	} else {
		out = append(out, "A prop "+s.Amount(float64(l.PropAtCM), "cm")+" from its base does not hold what hangs beyond it.")
	}
	out = append(out, off)
	if short != "" {
		out = append(out, short)
	}
	if l.BarkIncluded {
		out = append(out, "Bark is trapped in its crotch: it holds about half of what it looks like.")
	}
	return out
}

// Snow says what saves a limb under the snow one counts on, the best first; empty for one that is safe.
func (s Speaker) Snow(l *crop.LimbAt) []string {
	if l.State == crop.LoadOK || l.State == crop.LoadWatch {
		return nil
	}
	out := []string{"Knock the snow off after each fall while it is loose, from below, with a soft broom; frozen on, it stays until it thaws, for frozen wood snaps."}
	if l.PropHolds {
		out = append(out, "Before the first wet snow set a padded, forked prop "+s.Amount(float64(l.PropAtCM), "cm")+" from its base, under a side fork.")
	} else {
		out = append(out, "Before the first wet snow tie it to its neighbours or the trunk with a broad, loose band: a prop does not hold what lies beyond it.")
	}
	if l.ShortenToCM != nil {
		out = append(out, "With the dormant cut shorten it to "+s.Amount(float64(*l.ShortenToCM), "cm")+": it bears that snow then.")
	}
	if l.BarkIncluded {
		out = append(out, "Bark is trapped in its crotch: it holds about half of what it looks like.")
	}
	return out
}

var standings = map[string]string{
	"rebound freeze": "It froze in %d: a heavy set comes now",
	"on load":        "Its last crop was light: it blooms in full this year.",
	"off load":       "It carried %.1f times a medium crop in %d: it rests this year.",
	"on alternation": "By the beat of its years this is a full one.", "off alternation": "By the beat of its years it rests now.",
	"normal load": "Its last crop left it enough buds.",
}

// Standing says how a tree comes into a season; "" where nothing is known.
func Standing(st crop.Standing) string {
	says := standings[st.State+" "+st.Rule]
	switch {
	case st.State == crop.Rebound:
		says = fmt.Sprintf(says, st.Year)
		if st.RestsNext {
			says += ", and none the year after unless it is thinned"
		}
		return says + "."
	case st.State == crop.Off && st.Rule == "load":
		return fmt.Sprintf(says, st.Load, st.Year)
	}
	return says
}

// doings are what to do in a year of a kind.
var doings = map[string][]string{
	crop.On: {
		"Cut fruit wood freely when it is cut: each bud cut is thinning done.", "Thin as soon as its window opens, and more than usual.",
		"Strip weak wood wholly.",
	},
	crop.Off: {
		"A light dormant cut, after the buds show; keep every sound flower.", "No singles thinned, only touching and damaged fruit.",
		"No nitrogen. Summer cut as usual. Expect a full year next.",
	},
	"frozen": {
		"Count what is alive and keep it; skip thinning unless the count says otherwise.", "Cut in summer for vigour: there is no fruit to calm it.",
		"Next year comes back heavy: thin it hard and early.",
	},
}

// Doing is what to do in a year: on, off, rebound, frozen; nil for a normal one.
func Doing(state string) []string {
	if state == crop.Rebound {
		state = crop.On
	}
	return doings[state]
}

// NextYear says what this year's load does to the next one.
func (s Speaker) NextYear(b *crop.Bloom) string {
	share := s.Amount(b.BloomShare, "share")
	switch b.Next {
	case crop.Off:
		return fmt.Sprintf("With %.1f times a medium crop, next year blooms at about %s of full: it rests. Fruit taken within 30 days of bloom still helps it.", b.Load, share)
	case crop.On:
		return "Next year blooms at about " + share + " of full: a year to thin early."
	}
	return "Next year blooms at about " + share + " of full."
}

var alternations = map[string]string{
	"too_short": "Too few years in a row to tell", "alternating": "Bears one year and rests the next", "uneven": "Uneven, without a beat", "mild": "A little uneven", "steady": "Steady",
}

// Alternation says how steady a tree bears.
func Alternation(verdict string) string { return alternations[verdict] }

var frosts = map[string]string{
	"counted": "Of what was opened.", "none": "Nothing to speak of is alive.", "short": "Too few are alive for the crop you want: keep every one.",
	"doubtful": "It may not be enough: keep every flower bud until the set is counted.", "enough": "Enough are alive; keep what the number says.",
	"plenty": "Plenty are alive: cut and thin as usual.",
}

// Frosted says what a count of frosted buds found.
func (s Speaker) Frosted(f *crop.Frosted) string {
	says := fmt.Sprintf("%s alive, %s to %s nine times in ten. ", s.Amount(f.Share, "share"), s.Amount(f.Low, "share"), s.Amount(f.High, "share")) + frosts[f.Verdict]
	if f.OpenMore > 0 {
		says += fmt.Sprintf(" Open %d more to be sure.", f.OpenMore)
	}
	return says
}

var thinWhys = map[string]string{
	"load": "a limb carries more than is safe", "on": "a full year now would cost the next", "alternates": "it bears by turns", "most": "it carries the most",
}

// ThinWhy says why a tree is thinned harder before its neighbours.
func ThinWhy(rule string) string { return thinWhys[rule] }

// Broken traces a broken limb back: what the thinning record of its season says.
func (s Speaker) Broken(limb string, passed, counted bool, left int, carries int) string {
	switch {
	case !passed && !counted:
		return limb + " broke: nobody counted or thinned it this season."
	case !passed:
		return limb + " broke: it was counted and not thinned."
	case carries > 0 && left > carries:
		return fmt.Sprintf("%s broke with %d fruit left on it; about %d were safe.", limb, left, carries)
	}
	return fmt.Sprintf("%s broke with %d fruit left on it, which it should have carried: look for rot, bark in the crotch, or wind.", limb, left)
}

var (
	whyPome  = "One fruit a cluster feeds on the leaves of its own stretch of wood: some 30 to 40 leaves make one good fruit. The largest, sound, well-lit one stays; the king fruit in the middle of an apple's cluster is usually it."
	whyStone = "The stone takes what the flesh would: thin before it hardens, and every fruit that goes is size for those that stay."
	howPinch = "Hold the spur with one hand. Push the fruit up and sideways with the thumb against its stalk, or snip the stalk: never pull down, which tears the spur and next year's buds with it."
)

// ThinCard is why this size, and how to take a fruit off without tearing the spur.
func ThinCard(g pomology.Group) (why, how string) {
	if g == pomology.Stone {
		return whyStone, howPinch
	}
	return whyPome, howPinch
}

var fruitSafety = []string{
	"Thin and pick from the ground; tops by a padded pole, no ladder for thinning.",
	"Do not stand under a laden limb; set a prop from the side, with someone to hold.",
	"Stop in wind and on wet bark. Limbs near a power line: the network's owner.",
	"If you spray before bagging or after: the label and local law decide.",
}

// FruitSafety are the cautions of thinning, propping and picking; local rules come last.
func FruitSafety() []string { return append(append([]string{}, fruitSafety...), LocalRules) }

// BloomAfter says how a tree blooms the year after a load.
func BloomAfter(next string) string {
	return map[string]string{crop.Off: "next year it rests", crop.On: "next year it blooms in full: thin early", crop.Normal: "next year it blooms as usual"}[next]
}

// EnoughTrees says how many trees of a kind the household needs, at what its trees bear this season; nothing where none is wanted or bears.
func EnoughTrees(s *crop.Supply) string {
	if s.Enough == 0 {
		return ""
	}
	needs, stand := fmt.Sprintf("%d trees", s.Enough), fmt.Sprintf("%d stand", s.Trees)
	if s.Enough == 1 {
		needs = "one tree"
	}
	if s.Trees == 1 {
		stand = "one stands"
	}
	switch {
	case s.Enough < s.Trees:
		return fmt.Sprintf("As they bear this season %s would do; %s.", needs, stand)
	case s.Enough > s.Trees:
		return fmt.Sprintf("As they bear this season it takes %s; %s.", needs, stand)
	}
	return ""
}
