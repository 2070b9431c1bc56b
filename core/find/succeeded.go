package find

import (
	"math"

	"vertumna/core/limb"
)

// Succeeded is a limb whose successor can take over.
const Succeeded Code = "succeeded"

var succeeded = Rule{Code: Succeeded, Step: 5, Weight: 5, Aim: Remove, Source: practice}

// successor is the part of a limb's thickness from which on its successor takes over (work.md#young-trees; our estimate).
const successor = 1.0 / 3

// succeeded: a limb whose successor was named, once that one can take over.
func (f *finder) succeeded(i int) {
	s := f.m.State(i)
	if s == nil || s.Kind != limb.Successor || s.Limb == "" || s.Due != "" && !f.until(s) {
		return
	}
	k := f.m.Index(s.Limb)
	if k < 0 || f.m.WhollyDead(k) || f.m.HangsOn(k, i) {
		return
	}
	ratio := f.m.Axes[k].D / math.Max(1e-9, f.m.Axes[i].D)
	if ratio >= successor {
		t := f.tell(succeeded, i, 0, grave, []Fact{num("ratio", ratio)}, num("ratio", successor))
		t.Members = []string{s.Limb}
	}
}
