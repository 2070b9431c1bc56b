package year

import (
	"fmt"
	"math"
	"unicode"

	"vertumna/core/almanac"
	"vertumna/core/given"
	"vertumna/core/pomology"
)

// Limits of what is taken for a tree; ours.
const (
	maxHeightM   = 25   // taller than any kind left alone
	sameSpotM    = 0.15 // closer stems are one spot
	sameHoleM    = 0.6  // trees of one hole stand about 45 cm apart
	reliableLow  = 25.0
	reliableHigh = 65.0
)

// CheckTree refuses a tree that cannot be, and warns of one that is unlikely. others are the trees that stand on the
// plot; today is the person's day.
func CheckTree(t *Tree, hole string, others map[string]string, standing []Tree, today almanac.Day) (errs, warnings given.Faults) {
	if t.Planted.Known() && t.Planted > today {
		errs.Add("planted_in_future", "planted", t.Planted.String(), "a day not after "+today.String())
	}
	if t.Planted.Known() && t.Planted.Year() < 1800 {
		errs.Add("planted_too_early", "planted", t.Planted.String(), "a day after 1800")
	}
	if t.HeightM > maxHeightM || t.HeightM < 0 || math.IsNaN(t.HeightM) {
		errs.Add("height_out_of_range", "height_m", fmt.Sprintf("%g m", t.HeightM), fmt.Sprintf("0 to %d m", maxHeightM))
	} else if limit := t.Kind.MaxHeightM(); t.HeightM > limit {
		warnings.Add("height_unlikely", "height_m", fmt.Sprintf("%g m", t.HeightM), fmt.Sprintf("at most %g m for %s left alone", limit, t.Kind.Name))
	}
	if t.Form != "" && !t.Kind.Takes(t.Form) {
		warnings.Add("form_unusual", "form", string(t.Form), "a form that suits "+t.Kind.Name)
	}
	if _, used, ok := t.Kind.SizeFor(t.Class); !ok {
		warnings.Add("class_unusual", "class", string(t.Class), "a class "+t.Kind.Name+" has; "+string(used)+" is taken")
	}
	if cap := pomology.TubCap(t.TubLitres); t.TubLitres > 0 && max(t.HeightM, t.SpreadM) > cap {
		warnings.Add("tub_too_small", "tub_litres", fmt.Sprintf("%g litres for a crown of %g m", t.TubLitres, max(t.HeightM, t.SpreadM)), fmt.Sprintf("a crown of at most %.1f m, or a larger tub", cap))
	}
	for i := range standing {
		o := &standing[i]
		if o.ID == t.ID || o.Elsewhere || t.Elsewhere {
			continue
		}
		warnings = append(warnings, spacing(t, o, hole, others[o.ID])...)
	}
	if !t.Elsewhere {
		warnings = append(warnings, apart(t, standing)...)
	}
	return errs, warnings
}

// farM: a tree so far from every other is most often a slip of the decimal point (our estimate).
const farM = 60

// apart warns of a tree far from all others.
func apart(t *Tree, standing []Tree) (out given.Faults) {
	near := math.Inf(1)
	for i := range standing {
		if o := &standing[i]; o.ID != t.ID {
			near = math.Min(near, math.Hypot(t.X-o.X, t.Y-o.Y))
		}
	}
	if near > farM && !math.IsInf(near, 1) {
		out.Add("far_from_the_rest", "x", fmt.Sprintf("%g, %g: %.0f m from the nearest tree", t.X, t.Y, near), fmt.Sprintf("a place within %d m of another tree: the light of the rest does not reckon with it", farM))
	}
	return out
}

// spacing warns when two stems stand at one spot or closer than their kinds want when held low.
func spacing(t, o *Tree, hole, otherHole string) given.Faults {
	d := math.Hypot(t.X-o.X, t.Y-o.Y)
	oneHole := hole != "" && hole == otherHole
	switch {
	case oneHole && t.Kind.Family != o.Kind.Family:
		return given.Faults{{Code: "hole_of_two_families", Field: "hole", Given: t.Kind.Name + " with " + o.Kind.Name, Expected: "trees of one family in one hole"}}
	case oneHole && d <= 2*sameHoleM:
		return nil
	case d < sameSpotM:
		return given.Faults{{Code: "same_spot", Field: "x", Given: fmt.Sprintf("the spot of %s", o.Code), Expected: "another spot, or one hole for both"}}
	}
	a, _, _ := t.Kind.SizeFor(t.Class)
	b, _, _ := o.Kind.SizeFor(o.Class)
	if want := (a.DistanceM*t.habitSpread() + b.DistanceM*o.habitSpread()) / 2; d < 0.9*want && t.TubLitres == 0 && o.TubLitres == 0 {
		return given.Faults{{Code: "too_close", Field: "x", Given: fmt.Sprintf("%.1f m from %s", d, o.Code), Expected: fmt.Sprintf("about %.1f m when both are held low", want)}}
	}
	return nil
}

// habitSpread shifts the room a tree wants by its habit: upright ones less, weeping ones more. Ours.
func (t *Tree) habitSpread() float64 {
	habit := t.Habit
	if habit == "" {
		habit = t.Kind.Habits[0]
	}
	switch habit {
	case "upright":
		return 0.9
	case "weeping":
		return 1.15
	}
	return 1
}

// CheckPlace warns of a place where the models are weak.
func CheckPlace(s *almanac.Site) (warnings given.Faults) {
	if lat := math.Abs(s.Lat); lat < reliableLow || lat > reliableHigh {
		warnings.Add("stages_unreliable", "lat", fmt.Sprint(s.Lat), "25 to 65 degrees from the equator: outside it stages are unreliable, log your own")
	}
	if f, err := almanac.FrostDatesOf(s); err == nil && f.LastSpring50 == nil {
		warnings.Add("no_frost", "tmin", "no frost in most years", "windows that lean on frost use leaf fall instead")
	}
	return warnings
}

// CheckEntry refuses an entry that cannot be.
func CheckEntry(e *Entry, t *Tree, today almanac.Day) (errs given.Faults) {
	bad := errs.Add
	if e.Date > today {
		bad("in_future", "date", e.Date.String(), "a day not after "+today.String())
	}
	if t != nil && t.Planted.Known() && e.Date < t.Planted {
		bad("before_planting", "date", e.Date.String(), "a day not before its planting on "+t.Planted.String())
	}
	if e.Date.Year() < almanac.MinYear+1 {
		bad("bad_year", "date", e.Date.String(), fmt.Sprintf("a day from %d on", almanac.MinYear+1))
	}
	if math.IsNaN(e.Share) || e.Share < 0 || e.Share > 1 {
		bad("share_out_of_range", "share", fmt.Sprintf("%.0f %%", e.Share*100), "0 to 100 %")
	}
	for i, d := range e.CutMM {
		if math.IsNaN(d) || d <= 0 || d > 1500 {
			bad("diameter_out_of_range", fmt.Sprintf("cut_mm[%d]", i), fmt.Sprintf("%g mm", d), "above 0 to 1500 mm")
		}
	}
	if e.Kind == WorkEntry {
		if _, ok := e.Task.Facts(); !ok {
			bad("unknown_task", "task", string(e.Task), "a kind of task")
		}
		if e.Outcome == "" {
			bad("no_outcome", "outcome", "none", "done, part, left or nothing-needed")
		}
		if e.Outcome == Left && e.Reason == "" {
			bad("no_reason", "reason", "none", "why it was left: next year's plan shows it")
		}
	}
	return errs
}

// Label finds the next free code on a stake: the letter of the last row with the next number.
func Label(codes []string) string {
	taken := map[string]bool{}
	row, highest := 'A', 0
	for _, c := range codes {
		taken[c] = true
		if len(c) < 2 || !unicode.IsUpper(rune(c[0])) {
			continue
		}
		n := 0
		if _, err := fmt.Sscanf(c[1:], "%d", &n); err == nil && (rune(c[0]) > row || rune(c[0]) == row && n > highest) {
			row, highest = rune(c[0]), n
		}
	}
	for n := highest + 1; ; n++ {
		if code := fmt.Sprintf("%c%d", row, n); !taken[code] {
			return code
		}
	}
}
