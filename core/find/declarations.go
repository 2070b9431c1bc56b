package find

import "slices"

// declared is a finding in the list: its rule, and how it is looked for, limb by limb or over the whole tree at once.
type declared struct {
	rule Rule
	limb func(*finder, int)
	tree func(*finder)
}

// declarations are all findings, in the order of work: 1 sick and broken wood, 2 suckers and sprouts, 3 crossing, 4 wrong ways, 5 narrow
// and thick, 6 height, 7 width, 8 light, 9 renewal and load. A new one is a file of its own, a row here and its words; the laws of the
// rooms hold all three closed. A row without a look is found with another's: marks, suckers and sprouts before all, resting with crossing,
// what is thin for its load with what is overloaded. A knot of shoots is looked for before what was headed there again.
var declarations = []declared{
	{rule: deadWood},
	{rule: diseasedWood},
	{rule: damagedWood},
	{rule: borer},
	{rule: sucker},
	{rule: waterSprout},
	{rule: crossing, tree: (*finder).crossings},
	{rule: resting},
	{rule: inward, limb: (*finder).inward},
	{rule: hanging, limb: (*finder).hanging},
	{rule: tooLow, limb: (*finder).low},
	{rule: oldUpright, limb: (*finder).oldUpright},
	{rule: bareLeader, limb: (*finder).bareLeader},
	{rule: leaderCrown, tree: (*finder).leaderCrown},
	{rule: timeOver, limb: (*finder).stateOver},
	{rule: outOfPlane, limb: (*finder).outOfPlane},
	{rule: narrowCrotch, limb: (*finder).narrowCrotch},
	{rule: thickSide, limb: (*finder).thickSide},
	{rule: competitor, limb: (*finder).competitor},
	{rule: sameNode, tree: (*finder).sameNode},
	{rule: fork, tree: (*finder).forks},
	{rule: tierGap, tree: (*finder).tierGap},
	{rule: succeeded, limb: (*finder).succeeded},
	{rule: tooManyLimbs, tree: (*finder).tooManyLimbs},
	{rule: overHeight, limb: (*finder).overHeight},
	{rule: crowsfoot, tree: (*finder).crowsfoot},
	{rule: headedAgain, tree: (*finder).headedAgain},
	{rule: topHeavy, tree: (*finder).topHeavy},
	{rule: leaderLong, tree: (*finder).leaderLong},
	{rule: overPath, limb: (*finder).path},
	{rule: atWall, limb: (*finder).wall},
	{rule: atNeighbour, limb: (*finder).neighbour},
	{rule: overLong, tree: (*finder).overLong},
	{rule: pastLength, limb: (*finder).pastLength},
	{rule: shaded, limb: (*finder).shaded},
	{rule: dense, limb: (*finder).dense},
	{rule: centreClosed, tree: (*finder).centreClosed},
	{rule: longShoot, limb: (*finder).longShoot},
	{rule: renewalDue, tree: (*finder).renewals},
	{rule: tooOld, limb: (*finder).tooOld},
	{rule: barren, limb: (*finder).barren},
	{rule: weakWood, limb: (*finder).weak},
	{rule: spursCrowded, limb: (*finder).spursCrowded},
	{rule: tipBack, limb: (*finder).tipBack},
	{rule: longBearer, limb: (*finder).longBearer},
	{rule: overloaded, limb: (*finder).load},
	{rule: thinForLoad},
}

// Besides lists the codes of all findings but some.
func Besides(kept ...Code) []Code {
	var out []Code
	for _, d := range declarations {
		if !slices.Contains(kept, d.rule.Code) {
			out = append(out, d.rule.Code)
		}
	}
	return out
}

// Rules lists all rules in the order of work.
func Rules() []Rule {
	out := make([]Rule, len(declarations))
	for k, d := range declarations {
		out[k] = d.rule
	}
	return out
}
