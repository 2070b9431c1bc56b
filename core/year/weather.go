package year

import (
	"vertumna/core/almanac"
	"vertumna/core/pomology"
)

// PurposeOf is the kind of work that a task's day is judged as: by the kind of tree, and by the season its cut is drawn as, so that a cut in
// leaf is never judged as a dormant one. False for work that any weather suits.
func PurposeOf(t *Task, tree *Tree) (almanac.Purpose, bool) {
	if t.Kind == Thin {
		return almanac.Thinning, true
	}
	if facts, ok := t.Kind.Facts(); !ok || !facts.Cut {
		return "", false
	}
	stone := tree.Kind.Group == pomology.Stone
	switch t.Mark {
	case WinterMark:
		if stone {
			return almanac.WinterStone, true
		}
		return almanac.WinterPome, true
	case BloomMark:
		return almanac.BudCut, true
	case SummerMark:
		if stone {
			return almanac.SummerStone, true
		}
		return almanac.SummerPome, true
	}
	return "", false
}

// FrostsOf are nights of frost that the weather tells of, as entries of their own up to the day shown: they ask for a count and lower what
// is alive, as those that a person logged. A night that somebody logged counts as they logged it.
func FrostsOf(days []almanac.TempDay, entries []Entry, shown almanac.Day, south bool) []Entry {
	said := map[almanac.Day]bool{}
	for i := range entries {
		if entries[i].Kind == FrostEntry {
			said[entries[i].Date] = true
		}
	}
	var out []Entry
	for _, d := range days {
		if d.Tmin < 0 && d.Date <= shown && !said[d.Date] {
			out = append(out, Entry{ID: "sky-" + d.Date.String(), Date: d.Date, Season: SeasonOf(d.Date, south), Kind: FrostEntry, Tmin: d.Tmin})
		}
	}
	return out
}
