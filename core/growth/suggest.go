package growth

import (
	"math"

	"vertumna/core/pomology"
)

// Known is what is known of a tree before its first sketch; zero numbers are unknown.
type Known struct {
	Form                      pomology.FormSlug
	Class                     pomology.VigourClass
	Age                       int
	HeightM, SpreadM, TrunkMM float64
	MostSpreadM               float64 // what its place or tub allows; 0: no bound
}

// usualLimbs is how many main limbs a form usually has, where it is not four; our estimates within the forms' ranges.
var usualLimbs = map[pomology.FormSlug]int{
	pomology.CentralLeader: 6, pomology.WireTiers: 6, pomology.ModifiedLeader: 5, pomology.Shrub: 5, pomology.FlatFan: 5, pomology.LowBush: 5,
	pomology.StepOver: 2, pomology.SlimLeader: 9,
}

// Suggest fills in what a sketch needs from what is known, else from what the kind and form usually have at the age.
func Suggest(k *pomology.Kind, known Known) SketchInput {
	in := SketchInput{Species: k.Slug, Form: known.Form, Age: known.Age, Scaffolds: 4}
	if in.Form == "" {
		in.Form = k.Forms[0]
	}
	if in.Age < 1 {
		in.Age = k.Care.YearsToFullCrop
	}
	if n, ok := usualLimbs[in.Form]; ok {
		in.Scaffolds = n
	}
	form, _ := pomology.FormBySlug(in.Form)
	size, _, _ := k.SizeFor(known.Class)
	usual := pomology.WantedOutline(form, size, form.HeightM, k.Care.YearsToFullCrop, in.Age)
	spread := orUsual(known.SpreadM, usual.WidthM)
	if known.MostSpreadM > 0 {
		spread = math.Min(spread, known.MostSpreadM)
	}
	in.HeightCM = math.Round(100 * math.Max(leastSuggestedM, orUsual(known.HeightM, usual.HeightM)))
	in.SpreadCM = math.Round(100 * math.Max(leastSuggestedM, spread))
	in.TrunkMM = math.Round(orUsual(known.TrunkMM, math.Max(k.Growth.TipMM+trunkOverTipMM, pomology.TrunkPerYearMM*float64(in.Age))))
	return in
}

func orUsual(known, usual float64) float64 {
	if known > 0 {
		return known
	}
	return usual
}
