package find

import "vertumna/core/limb"

// Lettered is a finding with the letter it is shown under, and the limbs that have the same fault because they hang on
// the offending stretch: told once, where it starts.
type Lettered struct {
	Letter string
	Finding
	Also []string
}

// Letters gives findings their letters, in the order of work. A finding whose limb hangs on the offending stretch of
// another of the same kind is told with it.
func Letters(m *limb.Map, found []Finding) []Lettered {
	var out []Lettered
	place := make(map[int]int, len(found)) // of a head among out
	for k := range found {
		if headOf(m, found, k) == k {
			place[k] = len(out)
			out = append(out, Lettered{Letter: letter(len(out)), Finding: found[k]})
		}
	}
	for k := range found {
		if h := headOf(m, found, k); h != k {
			out[place[h]].Also = append(out[place[h]].Also, found[k].Limb)
		}
	}
	return out
}

// headOf is the finding that finding k is told with: the one nearest the ground whose stretch carries its limb.
func headOf(m *limb.Map, found []Finding, k int) int {
	f := &found[k]
	if len(f.Members) > 0 {
		return k
	}
	head := k
	for i := m.Index(f.Limb); i >= 0; i = m.Axes[i].Parent {
		p := m.Axes[i].Parent
		for g := range found {
			o := &found[g]
			if p >= 0 && g != k && o.Code == f.Code && len(o.Members) == 0 && o.Limb == m.Axes[p].ID && m.Axes[i].Attach >= o.AtCM {
				head = g
			}
		}
	}
	return head
}

const alphabet = 26

// letter names place i: A to Z, then AA, AB …
func letter(i int) string {
	if i < alphabet {
		return string(rune('A' + i))
	}
	return letter(i/alphabet-1) + letter(i%alphabet)
}
