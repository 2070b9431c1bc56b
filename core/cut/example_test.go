package cut_test

import (
	"fmt"

	"vertumna/core/cut"
	"vertumna/core/find"
	"vertumna/core/growth"
	"vertumna/core/light"
	"vertumna/core/limb"
	"vertumna/core/pomology"
)

// A slip is planned for one tree, its light and what the school says: which cuts this season, under the limit, and what waits.
func ExampleNewPlanner() {
	doc, err := growth.Sketch(growth.SketchInput{Species: "apple", Form: pomology.OpenVase, Age: 12, TrunkMM: 110, HeightCM: 320, SpreadCM: 360, Scaffolds: 4, Seed: 1, Year: 2027})
	if err != nil {
		fmt.Println(err)
		return
	}
	m, err := limb.Check(doc)
	if err != nil {
		fmt.Println(err)
		return
	}
	reading := find.Reading{Light: light.OfTree(m, 46, light.Coarse), Options: find.Defaults()}
	planner, err := cut.NewPlanner(growth.Tree{Map: m, Latitude: 46}, reading, cut.Options{Level: cut.Fifth, AimFirst: true})
	if err != nil {
		fmt.Println(err)
		return
	}
	slip := planner.Plan()
	fmt.Printf("%d cuts, %.0f %% of the crown, %d findings wait\n", len(slip.Cuts), 100*slip.Share, len(slip.Carried))
	for _, c := range slip.Cuts[:2] {
		fmt.Println(c.Kind, c.Limb)
	}
	// Output:
	// 9 cuts, 20 % of the crown, 9 findings wait
	// side S3
	// side S2
}
