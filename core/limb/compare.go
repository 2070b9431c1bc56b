package limb

import (
	"maps"
	"math"
	"slices"
	"strconv"
	"strings"
)

// Change is one difference between two maps of a tree.
type Change struct {
	Limb   string
	Field  string // empty: the limb itself came or went
	Before string
	After  string
}

// Compare lists what differs between two documents, limb by limb in the order of the later one, lost limbs last.
func Compare(before, after Doc) []Change {
	var out []Change
	for i := range after.Limbs {
		l := &after.Limbs[i]
		was := before.Find(l.ID)
		if was == nil {
			out = append(out, Change{Limb: l.ID, After: "new"})
			continue
		}
		a, b := told(was), told(l)
		for _, f := range slices.Sorted(maps.Keys(b)) {
			if a[f] != b[f] {
				out = append(out, Change{l.ID, f, a[f], b[f]})
			}
		}
	}
	for i := range before.Limbs {
		if l := &before.Limbs[i]; after.Find(l.ID) == nil {
			out = append(out, Change{Limb: l.ID, Before: "gone"})
		}
	}
	return out
}

// told writes the fields of a limb that a person compares.
func told(l *Limb) map[string]string {
	out := map[string]string{"parent": l.Parent, "tip": string(l.Tip), "tags": strings.Join(l.Tags, " ")}
	for f, p := range l.numbers() {
		out[f] = ""
		if *p != nil {
			out[f] = strconv.FormatFloat(math.Round(**p*10)/10, 'f', -1, 64)
		}
	}
	var marks []string
	for _, k := range l.Marks {
		marks = append(marks, strings.TrimSpace(k.Kind+" "+k.Other))
	}
	slices.Sort(marks)
	out["marks"] = strings.Join(marks, ", ")
	out["state"] = ""
	if l.State != nil {
		out["state"] = l.State.Kind
	}
	return out
}

// Standing is an earlier map without the limbs that have come off since, nor what they carried: those a later map of the tree
// no longer has. What was shortened stands as it did.
func Standing(before, now Doc) Doc {
	parents, stands := map[string]string{}, map[string]bool{}
	for _, l := range now.Limbs {
		stands[l.ID] = true
	}
	for _, l := range before.Limbs {
		parents[l.ID] = l.Parent
	}
	out := before
	out.Limbs = nil
	for _, l := range before.Limbs {
		still := true
		for at, n := l.ID, 0; at != "" && n <= len(before.Limbs); at, n = parents[at], n+1 {
			still = still && stands[at]
		}
		if still {
			out.Limbs = append(out.Limbs, l)
		}
	}
	return out
}
