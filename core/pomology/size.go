package pomology

import "math"

func expNeg(x float64) float64 { return math.Exp(-x) }

// ClassGuess is what a tree's trunk and shoots say of its vigour class, where nobody knows it. It is told, and nothing is worked
// out from it.
type ClassGuess struct {
	Class   VigourClass // empty: not known
	TrunkMM float64     // the trunk the class usually has at that age; 0: not asked
	Rule    string      // "no-measurement", "trunk-for-age", "long-shoots", "usual-shoots" or "short-shoots"
}

// TrunkPerYearMM is how much the trunk of a semi-dwarfing tree usually thickens in a year; our estimate.
const TrunkPerYearMM = 9

// A kind's usual extension, times which shoots are long or short; our estimates.
const (
	longShoots  = 1.5
	shortShoots = 0.5
)

// GuessClass infers the vigour class from the trunk for its age and from last year's shoot length (0 when unknown): the class
// whose trunk comes nearest, a trunk being as thick, against the semi-dwarfing one's, as the tree left alone is tall; long
// shoots raise it by one class, short ones lower it. Height says nothing: a saw may keep it. Our estimate.
func GuessClass(k *Kind, ageYears int, trunkMM, shootCM float64) ClassGuess {
	best := ClassGuess{Rule: "no-measurement"}
	if trunkMM > 0 && ageYears > 0 {
		gap := math.Inf(1)
		for _, c := range VigourClasses() {
			s, ok := k.Sizes[c]
			if !ok {
				continue
			}
			usual := TrunkPerYearMM * float64(ageYears) * s.HeightM / k.Sizes[defaultClass].HeightM
			if d := math.Abs(usual - trunkMM); d < gap {
				gap, best = d, ClassGuess{Class: c, TrunkMM: usual, Rule: "trunk-for-age"}
			}
		}
	}
	step := 0
	switch {
	case shootCM > longShoots*k.Growth.ExtensionCM:
		step, best.Rule = 1, "long-shoots"
	case shootCM > 0 && shootCM < shortShoots*k.Growth.ExtensionCM:
		step, best.Rule = -1, "short-shoots"
	case shootCM > 0 && best.Class == "":
		best.Rule = "usual-shoots"
	}
	if best.Rule == "no-measurement" {
		return best
	}
	if best.Class == "" {
		best.Class = defaultClass
	}
	all := VigourClasses()
	if i := best.Class.Steps() + 2 + step; i >= 0 && i < len(all) {
		if _, ok := k.Sizes[all[i]]; ok {
			best.Class = all[i]
		}
	}
	return best
}

// ExtraSummerCuts is the price of holding a strong tree low: about one more summer cut a year for each class above
// semi-dwarfing (kinds.md#size).
func ExtraSummerCuts(c VigourClass) int { return max(0, c.Steps()) }

// StakeForLife says whether a tree of this class and form needs a stake for life in wind.
func StakeForLife(c VigourClass, f FormSlug) bool {
	return c == VeryDwarfing || c == Dwarfing || f == SlimLeader
}

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
