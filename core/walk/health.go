package walk

import (
	"strings"

	"vertumna/core/limb"
)

// Catching says whether an agent is carried from tree to tree by a blade: by the words growers have for it.
func Catching(agent string) bool {
	for _, w := range []string{"canker", "blight", "rot", "curl", "gum"} {
		if strings.Contains(strings.ToLower(agent), w) {
			return true
		}
	}
	return false
}

// HealthOf is how a tree is touched by what is marked on its limbs: canker, rot, and what nobody named, come last.
func HealthOf(m *limb.Map) Health {
	out := Clean
	for i := range m.Axes {
		for _, x := range m.Axes[i].Marks {
			if x.Kind == limb.Diseased {
				out = max(out, Sick)
				if x.Agent == "canker" || x.Agent == "rot" || x.Agent == "" {
					out = Cankered
				}
			}
		}
	}
	return out
}
