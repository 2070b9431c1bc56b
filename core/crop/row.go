package crop

import (
	"vertumna/core/given"
	"vertumna/core/num"
	"vertumna/core/pomology"
)

// RowInput asks for a kind's row.
type RowInput struct {
	Species string `json:"species"`
	Size    Size   `json:"size" in:"small|medium|large = medium"`
	Vigour  string `json:"vigour_class" in:"very-dwarfing|dwarfing|semi-dwarfing|semi-vigorous|vigorous = semi-dwarfing"`
}

// Row is a kind's numbers, at the size wanted and a vigour class. Leaves per fruit: Haller and Magness 1925, Weinberger 1931
// for apple and peach; the rest fitted (est.) so that leaves and density agree on a sound tree.
type Row struct {
	Group          string  `json:"group"`
	HandThinned    bool    `json:"hand_thinned"`
	KingFruit      bool    `json:"king_fruit"`
	MassG          float64 `json:"mass_g"`
	RipeMM         float64 `json:"ripe_diameter_mm"`
	DensityCM2     float64 `json:"density_cm2"`
	MassAtSizeG    float64 `json:"mass_at_size_g"`
	SpacingLowCM   float64 `json:"spacing_low_cm"`
	SpacingHighCM  float64 `json:"spacing_high_cm"`
	PerCluster     int     `json:"per_cluster"`
	LeavesPerFruit float64 `json:"leaves_per_fruit"`
	LeafCM2        float64 `json:"leaf_cm2"`
	LeafM2PerCM2   float64 `json:"leaf_m2_per_cm2"`
	FruitPerBud    float64 `json:"fruit_per_bud"`
	OpenMM         float64 `json:"open_mm"`
	BestMM         float64 `json:"best_mm"`
	CloseMM        float64 `json:"close_mm"`
	SeasonsToBear  int     `json:"seasons_to_bear"`
	Tendency       string  `json:"tendency"`
	RuptureMPa     float64 `json:"rupture_mpa"`
	ModulusGPa     float64 `json:"modulus_gpa"`
	GreenKgM3      float64 `json:"green_density_kg_m3"`
	KgPerJarLitre  float64 `json:"kg_per_jar_litre"`
}

// leafFactor: larger fruit need more leaves (est.).
var leafFactor = map[Size]float64{Small: 0.75, Medium: 1, Large: 1.3}

// RowOf reads the table for a kind, `species_row`. Errors: given.Faults.
func RowOf(in RowInput) (Row, error) {
	k, fs := kindOf(in, in.Species)
	if err := fs.Err(); err != nil {
		return Row{}, err
	}
	c := &k.Crop
	d := density(c, in.Size)
	return Row{
		Group: string(k.Group), HandThinned: c.HandThinned, KingFruit: c.KingFruit, MassG: c.MassG, RipeMM: c.RipeMM,
		DensityCM2: d, MassAtSizeG: mass(c, c.MassG, d), SpacingLowCM: c.SpacingLowCM, SpacingHighCM: c.SpacingHighCM,
		PerCluster: c.PerCluster, LeavesPerFruit: c.LeavesPerFruit * leafFactor[in.Size], LeafCM2: c.LeafCM2,
		LeafM2PerCM2: k.Growth.LeafM2PerCM2, FruitPerBud: k.Growth.FruitPerBud, OpenMM: c.OpenMM, BestMM: c.BestMM, CloseMM: c.CloseMM,
		SeasonsToBear: c.SeasonsToBear[pomology.VigourClass(in.Vigour)], Tendency: c.Alternation, RuptureMPa: c.RuptureMPa,
		ModulusGPa: c.ModulusGPa, GreenKgM3: c.GreenDensityKgPer3, KgPerJarLitre: c.KgPerJarLitre,
	}, nil
}

// The hand: what counts as stretched, and what is taken where none was measured, cm (est.).
const (
	stretchedHand = 16
	defaultHand   = 10
)

// Spacing between spots of fruit, cm, as the school and the hand say; 0 for kinds without one. The hand is only asked for
// stone fruit of medium size thinned to one's own hand, and only then do its warnings arise.
func Spacing(k *pomology.Kind, size Size, school string, handCM *float64) (cm float64, warnings []string) {
	low, high := k.Crop.SpacingLowCM, k.Crop.SpacingHighCM
	if low <= 0 {
		return 0, nil
	}
	if k.Group == pomology.Stone {
		switch school {
		case "10":
			return 10, nil
		case "15":
			return 15, nil
		}
	}
	switch {
	case size == Small:
		return low, nil
	case size == Large:
		return high, nil
	case k.Group != pomology.Stone:
		return (low + high) / 2, nil
	}
	if handCM == nil {
		return num.Clamp(defaultHand, low, high), []string{WHandDefault}
	}
	hand := *handCM
	if hand > stretchedHand {
		hand, warnings = hand/2, []string{WSpan}
	}
	return num.Clamp(hand, low, high), warnings
}

func perCluster(k *pomology.Kind, own *int) int {
	return int(given.Or(wholeOf(own), float64(k.Crop.PerCluster)))
}
