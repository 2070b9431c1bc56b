package pomology

import "math"

// Of the fruit that sets, about half falls by itself by midsummer: half the flower buds of an unthinned tree carry to harvest
// (our estimate).
const juneDrop = 0.5

// Section of round wood, cm2, from its diameter in mm.
func Section(dMM float64) float64 { return math.Pi * dMM * dMM / 400 }

// Set is the fruit that flower buds set, of which a share is alive after frost (1: none was hurt): what hangs before the fall
// of early summer and before anybody thins. The one count of fruit from buds.
func (k *Kind) Set(buds, alive float64) float64 { return buds * alive * k.Growth.FruitPerBud }

// Carried is the fruit a limb with so many flower buds and a section in cm2 carries to harvest where nobody thins: what its
// buds set less the fall of early summer, never more than such a section bears. It is what a cut costs and what a limb may
// have to hold. What a grower keeps by thinning is Crop.Density, never above it.
func (k *Kind) Carried(buds, sectionCM2 float64) float64 {
	return math.Min(juneDrop*k.Set(buds, 1), k.Growth.FruitPerCM2*sectionCM2)
}
