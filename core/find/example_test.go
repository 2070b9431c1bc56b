package find_test

import (
	"fmt"

	"vertumna/core/find"
	"vertumna/core/limb"
	"vertumna/core/pomology"
)

// Findings are what an experienced eye sees, the worst first within each step of the work; each carries its evidence.
func ExampleFindings() {
	limbs := []limb.Limb{trunk(60, 90), l("S1", "T", 50, 0, 45, 30, 190, 34), l("S2", "T", 52, 180, 45, 30, 180, 33), l("S2.1", "S2", 60, 200, 20, 15, 90, 20)}
	limbs[1].Marks = []limb.Mark{{Kind: limb.Dead, AtCM: 140}}
	m, err := limb.Check(tree(pomology.OpenVase, 9, limbs...))
	if err != nil {
		fmt.Println(err)
		return
	}
	for _, f := range find.Findings(m, find.Reading{Options: find.Defaults()}) {
		fmt.Println(f.Step, f.Code, f.Limb)
	}
	// Output:
	// 1 dead S1
	// 4 old_upright S2.1
	// 5 narrow_crotch S2.1
	// 5 thick_side S2.1
}
