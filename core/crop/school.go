package crop

import "vertumna/core/pomology"

// Habit is how a school thins: by which rule stone fruit is spaced, how many stay of a cluster (nil: as the kind does), and when.
type Habit struct {
	StoneSpacing string
	PerCluster   *int
	Time         string
}

// HabitOf reads a school's habit of thinning for a kind.
func HabitOf(s pomology.Resolved, k *pomology.Kind) Habit {
	out := Habit{Time: AfterDrop}
	switch s.Value("thin_stone") {
	case "10-cm":
		out.StoneSpacing = "10"
	case "15-cm":
		out.StoneSpacing = "15"
	}
	if k.Group == pomology.Pome {
		out.PerCluster = new(1)
		if s.Is("thin_pome", "two-per-cluster") {
			out.PerCluster = new(2)
		}
	}
	switch s.Value("thin_time") {
	case "bloom":
		out.Time = AtBloom
	case "fruitlet-18":
		out.Time = AtFruitlet
	}
	return out
}
