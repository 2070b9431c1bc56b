package find

import "vertumna/core/limb"

// TimeOver is a limb kept for a time whose time is over.
const TimeOver Code = "time_over"

var timeOver = Rule{Code: TimeOver, Step: 4, Weight: 6, Aim: Remove, Source: practice}

// until says whether a state's day has come; a state without one waits for what else it hangs on.
func (f *finder) until(s *limb.State) bool { return s.Due != "" && f.o.Day != "" && s.Due <= f.o.Day }

// stateOver: a limb kept for a time whose time is over: its day has come, it has grown too thick to take off lightly, or its
// harvest is in.
func (f *finder) stateOver(i int) {
	s := f.m.State(i)
	if s == nil {
		return
	}
	d := f.m.Axes[i].D
	thick := s.Kind == limb.Temporary && d >= limb.TemporaryMM
	picked := s.Kind == limb.OneSeason && f.o.Harvested
	if s.Kind != limb.Temporary && s.Kind != limb.OneSeason || !thick && !picked && !f.until(s) {
		return
	}
	f.tell(timeOver, i, 0, 0.9, []Fact{num("diameter_mm", d), {Name: "state", Text: s.Kind}}, num("diameter_mm", limb.TemporaryMM))
}
