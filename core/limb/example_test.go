package limb_test

import (
	"fmt"

	"vertumna/core/limb"
	"vertumna/core/pomology"
)

// small is a trunk with two main limbs, one of them with a side shoot. Lengths in cm, diameters in mm, angles from the vertical.
func small() limb.Doc {
	l := func(id, parent string, attach, azimuth, angle, length, mm float64) limb.Limb {
		return limb.Limb{
			ID: id, Parent: parent, AttachCM: limb.Of(attach), AzimuthDeg: limb.Of(azimuth), AngleBaseDeg: limb.Of(angle),
			AngleTipDeg: limb.Of(angle - 10), LengthCM: limb.Of(length), DiameterMM: limb.Of(mm),
		}
	}
	return limb.Doc{Species: "apple", Form: pomology.OpenVase, Age: 8, Limbs: []limb.Limb{
		l("T", "", 0, 0, 10, 60, 70), l("S1", "T", 50, 90, 50, 160, 34), l("S2", "T", 55, 270, 45, 150, 32), l("S1.1", "S1", 60, 120, 40, 70, 12),
	}}
}

// A document is checked once; what comes out is read without errors.
func ExampleCheck() {
	m, err := limb.Check(small())
	if err != nil {
		fmt.Println(err)
		return
	}
	fmt.Printf("%d limbs, %.0f cm high\n", m.Len(), m.Height())
	broken := small()
	broken.Limbs[3].Parent = "S9"
	_, err = limb.Check(broken)
	fmt.Println(err)
	// Output:
	// 4 limbs, 169 cm high
	// S1.1.parent: "S9" given, a limb of this map expected
}

// Edits are made on a copy: all of them, or none.
func ExampleApply() {
	at := 60.0
	doc, err := limb.Apply(small(), limb.Edit{Op: "cut", ID: "S1", AtCM: &at}, limb.Edit{Op: "tag", ID: "S2", Tag: limb.Keep})
	if err != nil {
		fmt.Println(err)
		return
	}
	fmt.Println(*doc.Limbs[1].LengthCM, doc.Limbs[1].Tip, doc.Limbs[2].Tags, *small().Limbs[1].LengthCM)
	// Output: 60 cut [keep] 160
}
