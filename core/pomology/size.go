package pomology

import "math"

func expNeg(x float64) float64 { return math.Exp(-x) }

// ClassGuess is a vigour class inferred from what the tree shows, always marked as a guess.
type ClassGuess struct {
	Class   VigourClass
	HeightM float64 // the height the class would have reached at that age, left alone
	Rule    string
}

// GuessClass infers the vigour class from age, height and last year's shoot length (0 when unknown): the class whose
// tree, left alone, would come nearest. A tree that has been cut hides its vigour, so long shoots (over 1.5 times the
// kind's usual extension) raise the guess by one class and short ones (under half) lower it. Our estimate.
func GuessClass(k *Kind, ageYears int, heightM, shootCM float64) ClassGuess {
	best := ClassGuess{Class: defaultClass, Rule: "no-measurement"}
	if heightM > 0 && ageYears > 0 {
		gap := math.Inf(1)
		for _, c := range VigourClasses() {
			s, ok := k.Sizes[c]
			if !ok {
				continue
			}
			h := s.HeightM * (1 - math.Exp(-2.3*float64(ageYears)/float64(k.Care.YearsToFullCrop)))
			if d := math.Abs(h - heightM); d < gap {
				gap, best = d, ClassGuess{Class: c, HeightM: h, Rule: "height-for-age"}
			}
		}
	}
	step := 0
	switch {
	case shootCM > 1.5*k.Growth.ExtensionCM:
		step, best.Rule = 1, "long-shoots"
	case shootCM > 0 && shootCM < 0.5*k.Growth.ExtensionCM:
		step, best.Rule = -1, "short-shoots"
	}
	all := VigourClasses()
	i := best.Class.Steps() + 2 + step
	if i >= 0 && i < len(all) {
		if _, ok := k.Sizes[all[i]]; ok {
			best.Class = all[i]
		}
	}
	return best
}

// ExtraSummerCuts is the price of holding a strong tree low: about one more summer cut a year for each class above
// semi-dwarfing (kinds page).
func ExtraSummerCuts(c VigourClass) int { return max(0, c.Steps()) }

// StakeForLife says whether a tree of this class needs a stake for life in wind.
func StakeForLife(c VigourClass) bool { return c == VeryDwarfing || c == Dwarfing }

// Roots is a guess of how far roots reach. Metres from the stem.
type Roots struct {
	RadiusM float64
	Rule    string // "crown", "flat-form" or "tub"
}

// RootSpread guesses the reach of the roots from the crown: roots follow the top, about 1.5 times the crown's radius for
// a free tree, 1.2 for a flat form; a tub holds them. Our estimate.
func RootSpread(spreadM float64, flat bool, tubLitres float64) Roots {
	switch {
	case tubLitres > 0:
		return Roots{TubRadiusM(tubLitres), "tub"}
	case flat:
		return Roots{1.2 * spreadM / 2, "flat-form"}
	}
	return Roots{1.5 * spreadM / 2, "crown"}
}

// TubRadiusM is the radius of a tub as wide as it is deep, metres.
func TubRadiusM(litres float64) float64 {
	return math.Cbrt(litres / 1000 / (2 * math.Pi))
}

// TubCap is the largest crown a tub can feed: height and spread in metres. About 2 m of crown for 60 litres, growing
// with the cube root, as the root ball does. Our estimate.
func TubCap(litres float64) float64 {
	if litres <= 0 {
		return math.Inf(1)
	}
	return 2 * math.Cbrt(litres/60)
}
