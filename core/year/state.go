package year

import "vertumna/core/almanac"

// settle works out the state and the docket group of a task on the day shown. A task stands in one group: wait, then
// closing soon, then any time, then do now. What was begun ends with its window, or where the thing it is done on is gone.
func (t *Task) settle(shown almanac.Day, gone bool) {
	opens, closes := t.Window.Opens.Day, t.Window.Closes.Day
	if s, final := t.loggedState(gone || shown > closes); final {
		t.State = s
		return
	}
	switch {
	case shown < opens:
		t.State = Opens
		if opens-shown <= OpeningDays {
			t.Group = OpeningSoon
			if len(t.Held) > 0 {
				t.State, t.Group = Waits, Wait
			}
		}
		// a hand that itches now is told what the job waits for
		if t.GradeOn(shown).Level == Forbidden && t.Group == "" {
			t.State, t.Group = Waits, Wait
			t.Held = append(t.Held, reason("forbidden-until").on(t.Window.Opens.Anchor, opens))
		}
	case shown > closes && len(t.Held) > 0 && t.stillHeld(shown):
		t.State = Waits // what was held to the end was not missed
	case shown > closes:
		t.State, t.Instead = Missed, taskFacts[t.Kind].Instead
	case len(t.Held) > 0 && t.stillHeld(shown):
		t.State, t.Group = Waits, Wait
	case closes-shown <= ClosingDays:
		t.State, t.Group = Closing, ClosingSoon
	case t.canWait(shown):
		t.State, t.Group = Open, Anytime
	default:
		t.State, t.Group = Open, DoNow
	}
}

// A job that is open for months is not told as today's work (our estimates, days).
const (
	longWindow = 56
	enoughLeft = 28
)

// canWait: the job is no cut, little is lost while it waits, and its window stays open for weeks yet.
func (t *Task) canWait(shown almanac.Day) bool {
	facts, opens, closes := taskFacts[t.Kind], t.Window.Opens.Day, t.Window.Closes.Day
	return !facts.Cut && facts.Harm < mostHarm && closes-opens > longWindow && closes-shown > enoughLeft
}

// stillHeld drops holds whose day has passed.
func (t *Task) stillHeld(shown almanac.Day) bool {
	kept := t.Held[:0:0]
	for _, h := range t.Held {
		if !h.Day.Known() || h.Day > shown || h.Rule == "thinning-first" {
			kept = append(kept, h)
		}
	}
	t.Held = kept
	return len(kept) > 0
}

// loggedState is the state the journal gives; final is false while a part of the job is still to do in its window.
func (t *Task) loggedState(over bool) (State, bool) {
	if len(t.Entries) == 0 {
		return "", false
	}
	switch t.Entries[len(t.Entries)-1].Outcome {
	case Done:
		return IsDone, true
	case NothingNeeded:
		return IsLooked, true
	case Left:
		return IsLeft, true
	case Part:
		t.Reasons = append(t.Reasons, reason("part-done").on(Logged, t.Entries[len(t.Entries)-1].Date))
		return IsPart, over
	}
	return "", false
}

// heirs are the jobs that take over what a missed one left, the likeliest first.
var heirs = map[TaskKind][]TaskKind{
	DormantCut:   {HeightCut, RestrainCut, SummerCut, AutumnHeight},
	RestrainCut:  {HeightCut, AutumnHeight},
	HeightCut:    {SummerShoots, AutumnHeight},
	SummerShoots: {AutumnHeight},
	Sprouts:      {SummerShoots, HeightCut},
	SproutVisit:  {SummerShoots, HeightCut},
	Scaffolds:    {ChooseShoot},
	PlantingCut:  {Scaffolds},
	FrostCount:   {CountSet, Thin},
	CountSet:     {Thin},
	Thin:         {SecondLook, Prop},
	SecondLook:   {Prop, HarvestTask},
	Prop:         {HarvestTask},
}

// handOn tells each missed job which of the tree's jobs yet to close takes its work over. Cost: tasks times their heirs.
func handOn(tasks []Task) {
	for i := range tasks {
		t := &tasks[i]
		if t.State != Missed {
			continue
		}
	search:
		for _, kind := range heirs[t.Kind] {
			for k := range tasks {
				if h := &tasks[k]; h.Kind == kind && h.State != Missed && h.Window.Closes.Day > t.Window.Closes.Day {
					t.Heir = &Heir{kind, h.Mark, h.Window.Opens.Day}
					break search
				}
			}
		}
	}
}

// learnPace corrects estimated minutes by what a person logged: the ratio of logged to estimated minutes over jobs done,
// held to half and double and shrunk toward one by an hour's worth of work (ours).
func learnPace(y *Yard, shown almanac.Day) float64 {
	byID := map[string]*Tree{}
	for i := range y.Trees {
		byID[y.Trees[i].ID] = &y.Trees[i]
	}
	took, meant := 60.0, 60.0
	for _, e := range y.Entries {
		t := byID[e.Tree]
		if e.Kind != WorkEntry || e.Date > shown || e.Minutes <= 0 || e.Outcome != Done || t == nil {
			continue
		}
		c := context{tree: t, reachM: 2}
		took += e.Minutes
		meant += c.minutes(e.Task)
	}
	return max(0.5, min(2, took/meant))
}
