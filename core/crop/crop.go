// Package crop counts fruit, says how many a tree and each of its limbs may keep, what a limb can carry, and what this
// year's load does to the next crops. It is pure: all inputs are arguments, there is no clock.
//
// Numbers carry their unit in their name: _mm, _cm, _m2, _g, _kg, _deg (from vertical: 0 up, 180 down). A section is that of
// round wood, cm2. Every model takes an input whose tags say what it allows (package given) and answers a result or
// given.Faults; warnings stand beside a result, sorted. Numbers marked est. are our own estimates; the rest name their
// source by author and year.
package crop

import (
	"math"
	"slices"

	"vertumna/core/given"
	"vertumna/core/num"
	"vertumna/core/pomology"
)

// Size a grower wants the fruit to be.
type Size string

// The sizes.
const (
	Small  Size = "small"
	Medium Size = "medium"
	Large  Size = "large"
)

// Warnings of the models.
const (
	WSpan             = "W_SPAN"               // a stretched hand was given: halved
	WHandDefault      = "W_HAND_DEFAULT"       // no hand was measured: 10 cm
	WNotThinned       = "W_NOT_THINNED"        // the kind's set is left to the tree
	WOverload         = "W_OVERLOAD"           // more fruit than the limbs carry safely, on a kind not thinned
	WFrostRisk        = "W_FROST_RISK"         // a killing frost may still come
	WNextYear         = "W_NEXT_YEAR"          // too late to help next year's buds
	WNoBearing        = "W_NO_BEARING"         // no limb may bear
	WWoodAlone        = "W_WOOD_ALONE"         // the bare limb is too much for its own attachment
	WNoLimit          = "W_NO_LIMIT"           // no number of fruit is too many
	WShortenNotEnough = "W_SHORTEN_NOT_ENOUGH" // no length left would be safe
)

const (
	z90 = 1.6449 // two-sided 90 %
)

// kindOf checks an input and finds its kind; a kind unknown is one more fault.
func kindOf(in any, species string) (*pomology.Kind, given.Faults) {
	fs := given.Check(in)
	k := pomology.Named(&fs, species)
	return k, fs
}

// density in fruit per cm2 of section that a grower keeps at a size.
func density(c *pomology.Crop, s Size) float64 {
	switch s {
	case Small:
		return c.DensitySmall
	case Large:
		return c.DensityLarge
	}
	return c.DensityMedium
}

// The size-load curve: exponent and ends (est., from published curves).
const (
	sizeExponent = 0.35
	smallest     = 0.6
	largest      = 1.4
)

// mass of a fruit, g, at a load of fruit per cm2 of section: few fruit grow larger. meanG is the tree's own at medium load.
func mass(c *pomology.Crop, meanG, load float64) float64 {
	if load <= 0 {
		return largest * meanG
	}
	return meanG * num.Clamp(math.Pow(c.DensityMedium/load, sizeExponent), smallest, largest)
}

// Mass of a fruit of a kind, g, where a limb or tree of a section (cm2) keeps so many. meanG is the tree's own weighed fruit
// at a medium crop; 0 takes the table's.
func Mass(k *pomology.Kind, meanG, fruit, sectionCM2 float64) float64 {
	if meanG <= 0 {
		meanG = k.Crop.MassG
	}
	if sectionCM2 <= 0 {
		return meanG
	}
	return mass(&k.Crop, meanG, fruit/sectionCM2)
}

// MassAtMedium turns a weighed fruit into what it would weigh at a medium crop, g: the size-load curve taken back.
func MassAtMedium(k *pomology.Kind, weighedG, fruit, sectionCM2 float64) float64 {
	if weighedG <= 0 || sectionCM2 <= 0 || fruit <= 0 {
		return 0
	}
	return weighedG / mass(&k.Crop, 1, fruit/sectionCM2)
}

// byHand: the kind's fruit is thinned by hand; a grower who wants to may thin every kind that has a spacing.
func byHand(k *pomology.Kind, anyway bool) bool {
	return k.Crop.HandThinned || anyway && k.Crop.SpacingLowCM > 0
}

func sorted(ws []string) []string {
	slices.Sort(ws)
	return slices.Compact(ws)
}

func wholeOf(p *int) *float64 {
	if p == nil {
		return nil
	}
	x := float64(*p)
	return &x
}
