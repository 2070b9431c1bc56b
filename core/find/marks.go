package find

import (
	"math"

	"vertumna/core/limb"
)

// What a person saw and marked.
const (
	DeadWood     Code = "dead"     // dead wood
	DiseasedWood Code = "diseased" // wood that a person marked as sick
	DamagedWood  Code = "damaged"  // wood that is torn or broken
	Borer        Code = "borer"    // a hole of a grub
)

var deadWood = Rule{Code: DeadWood, Step: 1, Weight: 10, Aim: Sound, Source: practice}

var diseasedWood = Rule{Code: DiseasedWood, Step: 1, Weight: 10, Aim: Sound, Source: practice}

var damagedWood = Rule{Code: DamagedWood, Step: 1, Weight: 8, Aim: Sound, Source: practice}

var borer = Rule{Code: Borer, Step: 1, Weight: 9, Aim: Sound, Source: practice}

// seen are the rules of the marks that are findings of their own.
var seen = map[string]Rule{limb.Dead: deadWood, limb.Diseased: diseasedWood, limb.Damaged: damagedWood, limb.Borer: borer}

// SoundBeyond is how far below a mark the wood is taken to be sound, cm (work.md#the-order-of-cuts: a few cm; by agent our estimates).
func SoundBeyond(k limb.Mark) float64 {
	switch k.Kind {
	case limb.Borer:
		return 5
	case limb.Diseased:
		switch k.Agent {
		case "canker":
			return 5
		case "blight":
			return 25
		}
		return 10
	}
	return 0
}

// marks tells what a person saw on a limb. Dead wood kept on purpose stays.
func (f *finder) marks(i int) {
	for _, k := range f.m.Axes[i].Marks {
		if k.Kind == limb.Rubbing || k.Kind == limb.Weak {
			continue // told by crossings and weak
		}
		if k.Kind == limb.Dead && f.m.Has(i, limb.Keep) {
			continue
		}
		away := SoundBeyond(k)
		at := math.Max(0, k.AtCM-away)
		facts := []Fact{num("diameter_mm", f.m.Diameter(i, k.AtCM)), num("mark_at_cm", k.AtCM)}
		if k.Kind == limb.Diseased {
			agent := k.Agent
			if agent == "" {
				agent = "unknown"
			}
			facts = append(facts, Fact{Name: "agent", Text: agent}, num("short_cm", math.Max(0, away-k.AtCM)))
		}
		f.tell(seen[k.Kind], i, at, 1, facts, num("sound_cm", away))
	}
}
