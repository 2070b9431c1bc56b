package year

import (
	"vertumna/core/almanac"
	"vertumna/core/pomology"
)

// What a tree may lack.
const (
	GiveStake TaskKind = "give-stake" // a stake
	GiveMulch TaskKind = "give-mulch" // mulch
	GiveWires TaskKind = "give-wires" // wires
	Repot     TaskKind = "repot"      // a bigger tub
)

var (
	giveStakeFacts = TaskFacts{Mark: CareMark, Minutes: 30, Instead: "stake-still", Harm: 2}
	giveMulchFacts = TaskFacts{Mark: CareMark, Minutes: 15, Instead: "mulch-still", Harm: 1}
	giveWiresFacts = TaskFacts{Mark: CareMark, Minutes: 120, Instead: "wires-still", Harm: 1}
	repotFacts     = TaskFacts{Mark: CareMark, Minutes: 60, Instead: "repot-winter", Harm: 1}
)

// needs: a stake, mulch, wires or a bigger tub that a tree should have and lacks books its own task.
func needs(c *context) []draft {
	if c.aim.Aim == Retire {
		return nil
	}
	var out []draft
	dormant := func(kind TaskKind, why Reason) {
		out = append(out, draft{kind: kind, opens: later(c.at(LeafFallBefore, 0), c.plantedBound()), closes: c.stage(almanac.BudBreak, 0), reasons: []Reason{why}})
	}
	if !c.tree.HasStake && c.tree.TubLitres == 0 && !c.flat() && (pomology.StakeForLife(c.tree.Class, c.tree.Form) || c.age <= 2) {
		why := reason("young-stake")
		if pomology.StakeForLife(c.tree.Class, c.tree.Form) {
			why = reason("weak-stock-stake").said(string(c.tree.Class))
		}
		if c.tree.Form == pomology.SlimLeader {
			why = reason("form-stake").said(string(c.tree.Form))
		}
		dormant(GiveStake, why)
	}
	if !c.tree.HasMulch && c.age <= formationYears && c.tree.TubLitres == 0 {
		spread, _ := c.tree.Crown()
		dormant(GiveMulch, reason("young-mulch").num(max(mulchLeastM, min(mulchMostM, spread)), "m"))
	}
	if !c.tree.HasWires && (c.tree.Form == pomology.WireTiers || c.tree.Form == pomology.StepOver || c.tree.Form == pomology.FlatFan) {
		dormant(GiveWires, reason("form-needs-wires").said(string(c.tree.Form)))
	}
	if cap := pomology.TubCap(c.tree.TubLitres); c.tree.TubLitres > 0 && max(c.tree.SpreadM, c.tree.HeightM) > cap {
		dormant(Repot, reason("crown-outgrows-tub").num(max(c.tree.SpreadM, c.tree.HeightM), "m").over(cap))
	}
	return out
}

// How wide a young tree's ring of mulch is: as its crown, within these (our estimates).
const (
	mulchLeastM = 1.0
	mulchMostM  = 2.0
)
