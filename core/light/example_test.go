package light_test

import (
	"fmt"

	"vertumna/core/growth"
	"vertumna/core/light"
	"vertumna/core/limb"
	"vertumna/core/pomology"
)

// The light of the growing season on each limb of a tree that stands alone, as a share of full light.
func ExampleOfTree() {
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
	of := light.OfTree(m, 46, light.Coarse)
	dark := m.Axes[0].ID
	for i := range m.Axes {
		if of.At(i) < of.At(m.Index(dark)) {
			dark = m.Axes[i].ID
		}
	}
	fmt.Printf("the darkest limb, %s, has %.0f %% of full light\n", dark, 100*of.At(m.Index(dark)))
	// Output: the darkest limb, T, has 36 % of full light
}
