package words

import (
	"fmt"
	"math"

	"vertumna/core/cut"
	"vertumna/core/limb"
)

// cutWords are the words of a kind of cut: as a way to choose, %s its side branch; as a step, the first %s the limb and the second the
// side branch; and how it is made.
var cutWords = map[limb.CutKind]struct{ way, step, how string }{
	limb.Collar: {
		way:  "the whole limb off at its collar: not flush, no stub",
		step: "%s off at its collar",
		how:  "Outside the branch collar: not flush, no stub.",
	},
	limb.SideBranch: {
		way:  "back to side branch %s",
		step: "%s back to %s",
		how:  "Just above the side branch, slanting away from it.",
	},
	limb.SoundWood: {
		way:  "back into sound wood",
		step: "%s back into sound wood",
		how:  "Look at the wood: no stain, no hole.",
	},
	limb.AboveBud: {
		way:  "above a bud, sloped away from it",
		step: "%s above a bud",
		how:  "5-6 mm above the bud, sloped away from it.",
	},
	limb.Stub: {
		way:  "a short stub, for a thinner limb",
		step: "%s to a renewal stub",
		how:  "A thinner limb grows from what stays.",
	},
	limb.TipThird: {
		way:  "a third off last year's growth, above a bud",
		step: "%s shortened by a third",
		how:  "5-6 mm above the bud, sloped away from it.",
	},
	limb.FiveLeaves: {
		way:  "this year's shoot back to about five leaves",
		step: "%s to about five leaves",
		how:  "Above the fifth good leaf; the rosette at the base does not count. About three of its buds turn to spurs in two years.",
	},
	limb.FruitBud: {
		way:  "into older wood, just above a fruit bud",
		step: "%s above a fruit bud",
		how:  "5-6 mm above the fruit bud, sloped away from it: it stops the shoot.",
	},
	limb.SpurBack: {
		way:  "back to two or three buds, which turn to spurs",
		step: "%s to two or three buds",
		how:  "The buds at the base turn to spurs.",
	},
	limb.ToFruits: {
		way:  "to the fruits it can ripen, ending at a leaf bud",
		step: "%s to the fruit it can ripen",
		how:  "Ends above a leaf bud, so that it can ripen its fruit.",
	},
	limb.SpurThin: {
		way:  "thin the spurs, the weak and the under ones first",
		step: "%s: thin its spurs",
		how:  "The weak ones and those on the under side first.",
	},
	limb.Notch: {
		way:  "a notch just above a bud, around bud break",
		step: "%s: a notch above a bud",
		how:  "A saw stroke through the bark just above the bud.",
	},
}

var cutReasons = map[string]string{
	"takes-much": "takes much of the crown at once", "huge-wound": "leaves a very big wound", "big-wound": "leaves a big wound",
	"main-limb-goes": "a main limb goes, and another takes years to stand", "favoured": "you want it cut last", "leader": "it leads",
	"strong-regrowth": "an upright end cut in winter answers strongly", "wet-wood": "wounds of this kind belong in dry summer weather",
	"fruit-buds": "costs fruit buds within reach", "calmer": "a weaker branch takes over, calmer", "follows-on": "a strong branch follows on",
	"outward": "it points outward", "inward": "it points inward", "within-reach": "what stays is within reach", "above-reach": "what stays is still above reach",
	"flatter": "it lies flatter", "upright": "it stands upright", "bud-outward": "the bud faces outward", "bud-wanted-way": "the bud faces where you want the limb to go", "bud-wrong-way": "the bud faces away from where you want the limb to go",
	"side-wanted-way": "it grows where you want the limb to go", "side-wrong-way": "it grows away from where you want the limb to go", "bud-under": "the bud faces down and grows flatter",
	"bud-holds": "a fruit bud on top holds the shoot", "bud-stops": "a fruit bud on top would stop it", "bud-leads": "a leaf bud leads it on outward",
	"bud-upper": "the bud faces up", "bud-inward": "the bud faces inward", "bud-unsure": "where the bud faces is not sure: look",
	"third": "away from the two thirds wanted", "summer": "summer suits it", "costs-no-bud": "costs no fruit bud within reach", "season": "the season",
}

// WayWords are a way to cut in plain words.
type WayWords struct {
	Title, Where, Cost string
	Reasons            []string
	Cautions           []string
}

// Way puts a way to cut into words: what, where exactly, what it costs, what speaks for and against, and the cautions.
func (s Speaker) Way(c cut.Candidate, heightCM float64) WayWords {
	title := s.slope(cutWords[c.Kind].way)
	if c.Kind == limb.SideBranch {
		title = fmt.Sprintf(title, c.Side)
	}
	w := WayWords{Title: title, Where: s.Tape(c.AtCM) + " from the base of " + c.Limb + ", " + s.Amount(heightCM/100, "m") + " up"}
	if c.AtCM <= 0 {
		w.Where = "at the base of " + c.Limb + ", " + s.Amount(heightCM/100, "m") + " up"
	}
	w.Cost = fmt.Sprintf("%s of the crown, %s fruit buds within reach, %s thick, %s, %s", s.Amount(c.Share, "share"), s.Amount(math.Round(c.BudsWithin), ""),
		s.Amount(c.DMM, "mm"), c.Tool, fmt.Sprintf("%.0f min", math.Max(1, math.Round(c.Minutes))))
	for _, r := range c.Reasons {
		says, ok := cutReasons[r.Rule]
		if !ok || r.Points == 0 {
			continue
		}
		if r.Rule == "season" && r.Points < 0 {
			says = "not the season for it"
		}
		w.Reasons = append(w.Reasons, says)
	}
	w.Cautions = s.Owns(cautionsOf(c, heightCM))
	return w
}

// aboveHeadCM: a cut this high needs a pole tool or a ladder.
const aboveHeadCM = 200

func cautionsOf(c cut.Candidate, heightCM float64) []string {
	var out []string
	if c.Tool == cut.Arborist {
		out = append(out, "Over 10 cm thick: a licensed arborist.")
	}
	if c.ThreeStep {
		out = append(out, "In three cuts: under it, then over it, then the collar; hold or rope what falls.")
	}
	if heightCM > aboveHeadCM && c.Kind != limb.Notch {
		out = append(out, "Above your head: a pole tool, or a ladder on firm ground and not alone.")
	}
	if c.CleanTool {
		out = append(out, "Clean the tool with alcohol after it.")
	}
	if c.OffPlot {
		out = append(out, "This wood leaves the plot: burned where local rules allow, or binned, never composted.")
	}
	if c.DryWeather {
		out = append(out, "Only in dry weather.")
	}
	return out
}

// BenchSafety are the cautions that stand beside every tree on the bench.
func (s Speaker) BenchSafety() []string { return s.Owns(benchSafety) }

var benchSafety = []string{
	"Look at the tree from the ground first; three points of contact on any ladder, and never alone.",
	"Near power lines, above 10 cm of thickness, or over a roof: a licensed arborist.",
	"Local rules and licensed practice come first.",
}
