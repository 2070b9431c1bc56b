package year

import "slices"

// Amount is what a tree's slips come to: that of the day, and those foreseen beside it.
type Amount struct {
	From  string // all that the slip of the day was made from, in short
	Works []Work
}

// Work is what the steps of a slip come to.
type Work struct {
	Summer  bool
	Year    int // of the slip: the growth year
	Cuts    int // as a person counts them: a cut, or thin wood of one place
	Minutes float64
	Share   float64 // of the crown
	Tools   string
	HighCM  float64 // of its highest cut; 0: none
	Shoots  Some    // of these, what shortens or takes out this year's shoots
}

// Some is a part of a slip's steps.
type Some struct {
	Cuts           int
	Minutes, Share float64
}

// BySlip says whether the work of such a task is what the tree's slip tells.
func (k TaskKind) BySlip() bool {
	switch k {
	case DormantCut, HeightCut, SummerCut, RestrainCut, AutumnHeight, SummerShoots:
		return true
	}
	return false
}

// Of is what the slip of a task's own season comes to; nil where no slip is its work, or none was made or foreseen for it.
func (a *Amount) Of(k TaskKind, season int) *Work {
	if a == nil || !k.BySlip() {
		return nil
	}
	for i := range a.Works {
		if w := &a.Works[i]; w.Year == season && w.Summer == (k != DormantCut) {
			return w
		}
	}
	return nil
}

// takes gives a task the work of a slip; nil: the task is estimated.
func (t *Task) takes(w *Work) {
	if t.Work = w; w == nil {
		return
	}
	t.Minutes, t.Share, t.MinutesEstimated = max(w.Minutes, lookAtLeast), w.Share, false
	r := reason("from-slip").num(float64(w.Cuts), "cuts")
	r.Threshold, r.Text = w.Share, w.Tools
	if k := slices.IndexFunc(t.Reasons, func(r Reason) bool { return r.Rule == "from-slip" }); k >= 0 {
		t.Reasons[k] = r
		return
	}
	t.Reasons = slices.Insert(slices.Clone(t.Reasons), min(1, len(t.Reasons)), r) // why it is done comes first
}

// partShoots parts a summer slip between the job of the height and that of the shoots, so that no cut is told twice. A height cut that was
// missed leaves its steps to the shoots' weeks; one that was made leaves them what its slip has not.
func partShoots(tasks []Task) {
	at := func(is func(TaskKind) bool) int {
		return slices.IndexFunc(tasks, func(t Task) bool { return t.Work != nil && is(t.Kind) })
	}
	shoots := at(func(k TaskKind) bool { return k == SummerShoots })
	other := at(func(k TaskKind) bool { return k == HeightCut || k == SummerCut || k == RestrainCut })
	if shoots < 0 || other < 0 {
		return
	}
	switch tasks[other].State {
	case Missed, IsDone, IsLooked, IsLeft:
		return
	}
	whole := *tasks[other].Work
	part, rest := whole, whole
	part.Cuts, part.Minutes, part.Share, part.HighCM = whole.Shoots.Cuts, whole.Shoots.Minutes, whole.Shoots.Share, 0
	if part.Cuts == 0 {
		part.Tools = NothingToCut
	}
	rest.Cuts, rest.Minutes, rest.Share = whole.Cuts-part.Cuts, whole.Minutes-part.Minutes, whole.Share-part.Share
	tasks[shoots].takes(&part)
	tasks[other].takes(&rest)
}

// NothingToCut stands for the tools of a slip without a step.
const NothingToCut = "nothing to cut"
