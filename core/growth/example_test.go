package growth_test

import (
	"fmt"

	"vertumna/core/growth"
	"vertumna/core/limb"
	"vertumna/core/pomology"
)

// A sketch from six numbers, grown on by a season in which one limb was headed hard.
func ExampleGrow() {
	doc, err := growth.Sketch(growth.SketchInput{Species: "apple", Form: pomology.OpenVase, Age: 8, TrunkMM: 80, HeightCM: 260, SpreadCM: 280, Scaffolds: 4, Seed: 7, Year: 2027})
	if err != nil {
		fmt.Println(err)
		return
	}
	m, err := limb.Check(doc)
	if err != nil {
		fmt.Println(err)
		return
	}
	at := limb.CutAt{Limb: "S1", Kind: limb.AboveBud, AtCM: 100}
	next, report, err := growth.Grow(growth.Tree{Map: m, Latitude: 46}, growth.Work{Dormant: []growth.Cut{{CutAt: at}}})
	if err != nil {
		fmt.Println(err)
		return
	}
	fmt.Printf("%.0f %% went; %d limbs become %d\n", 100*report.ShareDormant, m.Len(), next.Map.Len())
	// Output: 12 % went; 69 limbs become 61
}
