package words

import (
	"fmt"
	"math"

	"vertumna/core/cut"
	"vertumna/core/limb"
)

// cutTitles say what a cut is; {at} is its place.
var cutTitles = map[limb.CutKind]string{
	limb.Collar:     "the whole limb off at its collar: not flush, no stub",
	limb.SideBranch: "back to side branch %s",
	limb.SoundWood:  "back into sound wood",
	limb.AboveBud:   "above a bud, sloped away from it",
	limb.Stub:       "a short stub, for a thinner limb",
	limb.TipThird:   "a third off last year's growth, above a bud",
	limb.FiveLeaves: "this year's shoot back to about five leaves",
	limb.FruitBud:   "into older wood, just above a fruit bud",
	limb.SpurBack:   "back to two or three buds, which turn to spurs",
	limb.ToFruits:   "to the fruits it can ripen, ending at a leaf bud",
	limb.SpurThin:   "thin the spurs, the weak and the under ones first",
	limb.Notch:      "a notch just above a bud, around bud break",
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
	title := cutTitles[c.Kind]
	if c.Kind == limb.SideBranch {
		title = fmt.Sprintf(title, c.Side)
	}
	w := WayWords{Title: title, Where: s.Amount(math.Round(c.AtCM), "cm") + " from the base of " + c.Limb + ", " + s.Amount(heightCM/100, "m") + " up"}
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
	w.Cautions = cautionsOf(c, heightCM)
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
var BenchSafety = []string{
	"Look at the tree from the ground first; three points of contact on any ladder, and never alone.",
	"Near power lines, above 10 cm of thickness, or over a roof: a licensed arborist.",
	"Local rules and licensed practice come first.",
}
