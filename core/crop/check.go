package crop

import (
	"fmt"
	"math"

	"vertumna/core/almanac"
	"vertumna/core/given"
	"vertumna/core/limb"
	"vertumna/core/pomology"
)

// Work is what an entry of the journal says of a tree's fruit, as it is checked before it is kept. Zero is not given.
type Work struct {
	Kind          *pomology.Kind
	Map           *limb.Map   // of the day; nil: none
	Day, Bloom    almanac.Day // Bloom: first flowers of the season, NoDay unknown
	Harvest       bool
	Kilos         float64
	Fruit         int
	First, Last   almanac.Day // of the harvest
	FruitMM       float64
	Opened, Alive int
	Counts        []LimbFruit
	Left, Taken   int
	OnLimb        *int // counted on the limb of a pass before
}

// Limits of what is believed (est.).
const (
	leastFruitMM = 4   // smaller: centimetres or inches were given
	massLow      = 0.3 // of the kind's usual fruit
	massHigh     = 2.5
	overCounted  = 1.3 // left and taken together against the count before
)

// CheckWork refuses what cannot be and warns of what is unlikely; nothing is changed.
func CheckWork(w *Work) (errs, warnings given.Faults) {
	if w.Map != nil {
		errs = append(errs, CheckCounts(w.Map, w.Counts)...)
		if len(w.Counts) > 0 && len(errs) == 0 && flowerless(w.Map) {
			warnings.Add("W_NO_FLOWER_BUDS", "fruiting.counts", "a count on a tree whose map shows no flower buds", "flower buds on its map, or another look")
		}
	}
	if w.FruitMM > 0 && w.FruitMM < leastFruitMM {
		errs.Add("E_UNIT", "fruiting.fruit_mm", ftoa(w.FruitMM), "millimetres across the cheeks, as 19")
	}
	if w.FruitMM > 1.5*w.Kind.Crop.RipeMM {
		errs.Add("E_UNIT", "fruiting.fruit_mm", ftoa(w.FruitMM)+" mm", fmt.Sprintf("at most about the ripe %g mm of %s", w.Kind.Crop.RipeMM, w.Kind.Name))
	}
	if w.Alive > w.Opened {
		errs.Add(given.Conflict, "fruiting.alive", itoa(w.Alive), "at most the "+itoa(w.Opened)+" opened")
	}
	if w.Harvest {
		w.harvest(&errs, &warnings)
	}
	if sum := w.Left + w.Taken; w.OnLimb != nil && sum > 0 && float64(sum) > overCounted*float64(*w.OnLimb) {
		warnings.Add("W_MORE_THAN_COUNTED", "fruiting.taken", fmt.Sprintf("%d left and %d taken", w.Left, w.Taken), fmt.Sprintf("about the %d counted before: the count missed some, or a limb was counted twice", *w.OnLimb))
	}
	return errs, warnings
}

func flowerless(m *limb.Map) bool {
	for i := range m.Len() {
		if m.FlowerBuds(i, nil, nil) >= 0.5 {
			return false
		}
	}
	return true
}

func (w *Work) harvest(errs, warnings *given.Faults) {
	if w.Bloom.Known() && w.First < w.Bloom {
		errs.Add("E_BEFORE_BLOOM", "date", w.First.String(), "a day after its bloom, about "+w.Bloom.String())
	}
	if w.Last < w.First {
		errs.Add(given.Conflict, "fruiting.last", w.Last.String(), "a day not before the first, "+w.First.String())
	}
	switch {
	case w.Kilos > 0 && w.Fruit == 0:
		warnings.Add("W_NOT_COUNTED", "fruit", "kilos without a count", "the number too: it gives this tree's own fruit weight")
	case w.Fruit > 0 && w.Kilos == 0:
		warnings.Add("W_NOT_WEIGHED", "kilos", "a count without kilos", "the kilos too: they give this tree's own fruit weight")
	case w.Fruit > 0:
		g, usual := 1000*w.Kilos/float64(w.Fruit), w.Kind.Crop.MassG
		if g < massLow*usual || g > massHigh*usual {
			warnings.Add("W_ODD_FRUIT", "kilos", fmt.Sprintf("%.0f g a fruit", math.Round(g)), fmt.Sprintf("about %.0f g for %s: kilos and number of the same fruit", usual, w.Kind.Name))
		}
	}
}

// CheckCounts refuses counts of limbs that are not the tree's, and of a limb inside another one counted.
func CheckCounts(m *limb.Map, counts []LimbFruit) given.Faults {
	var fs given.Faults
	for k, c := range counts {
		i := m.Index(c.Limb)
		if i < 0 {
			fs.Add("E_UNKNOWN", "fruiting.counts["+itoa(k)+"].limb", c.Limb, "a limb of this tree's map")
			continue
		}
		for l, d := range counts[:k] {
			if j := m.Index(d.Limb); j >= 0 && (m.HangsOn(i, j) || m.HangsOn(j, i)) {
				fs.Add(given.Conflict, "fruiting.counts["+itoa(k)+"].limb", c.Limb, "a limb apart from "+d.Limb+", counted in line "+itoa(l+1))
			}
		}
	}
	return fs
}
