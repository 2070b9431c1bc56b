package find

// SameNode is limbs from one place, three or more.
const SameNode Code = "same_node"

var sameNode = Rule{Code: SameNode, Step: 5, Weight: 3, Aim: Remove, Source: practice}

const nodeCM = 4

// sameNode: three or more limbs from one place hold the carrier back above it.
func (f *finder) sameNode() {
	for p := range f.m.Axes {
		if f.m.WhollyDead(p) || f.m.IsStem(p) && (f.m.Vase() || f.m.Bush() || f.m.Flat()) {
			continue
		}
		var group []int
		flush := func() {
			if len(group) >= 3 {
				at := f.m.Axes[group[0]].Attach
				found := f.tell(sameNode, group[0], 0, 0.5, []Fact{num("count", float64(len(group))), num("at_parent_cm", at)}, num("count", 2))
				found.Members = f.ids(group)
			}
			group = nil
		}
		for _, c := range f.m.Axes[p].Children {
			if f.m.WhollyDead(c) || f.m.Axes[c].D < 6 {
				continue
			}
			if len(group) > 0 && f.m.Axes[c].Attach > f.m.Axes[group[0]].Attach+nodeCM {
				flush()
			}
			group = append(group, c)
		}
		flush()
	}
}
