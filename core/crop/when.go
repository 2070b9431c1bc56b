package crop

import (
	"vertumna/core/given"
	"vertumna/core/num"
	"vertumna/core/pomology"
)

// Schools of thinning time.
const (
	AfterDrop  = "after_drop"
	AtFruitlet = "fruitlet"
	AtBloom    = "bloom"
)

// TimeInput is how far the fruit is: the mean of ten fruitlets across the cheeks.
type TimeInput struct {
	Species        string   `json:"species"`
	DiameterMM     *float64 `json:"diameter_mm" in:"? [0,200]"`
	EarlierMM      *float64 `json:"earlier_diameter_mm" in:"? [0,200]"`
	DaysBetween    *float64 `json:"days_between" in:"? (0,60]"`
	InBloom        bool     `json:"in_bloom" in:"= false"`
	DropOver       bool     `json:"natural_drop_over" in:"= false"`
	DaysSinceDrop  int      `json:"days_since_drop" in:"[0,200] = 0"`
	DaysAfterBloom *int     `json:"days_after_bloom" in:"? [0,250]"`
	StoneHard      bool     `json:"stone_hard" in:"= false"`
	FrostRisk      float64  `json:"frost_risk" in:"[0,1] = 0"`
	School         string   `json:"school" in:"after_drop|fruitlet|bloom = after_drop"`
	ThinAnyway     bool     `json:"thin_anyway" in:"= false"`
}

// Time says whether to thin now.
type Time struct {
	State       string   `json:"state"`  // not_thinned, wait, open, closing, late
	Reason      string   `json:"reason"` // kind, frost, size, bloom, stone_hard, drop, time
	RateMMDay   *float64 `json:"rate_mm_day"`
	DaysToOpen  *int     `json:"days_to_open"`
	DaysToClose *int     `json:"days_to_close"`
	Warnings    []string `json:"warnings"`
}

// Numbers of thinning time (est.; next year's buds after Tromp 2000).
const (
	usualRate     = 0.6 // mm a day
	frostMatters  = 0.10
	lateAfterDrop = 21 // days
	closeAfter    = 14
	nextYearUntil = 45 // days after bloom
)

// ThinningTime says whether fruit is to be thinned now, `thinning_time`. Errors: given.Faults.
func ThinningTime(in TimeInput) (Time, error) {
	k, fs := kindOf(in, in.Species)
	if len(fs) == 0 {
		if in.EarlierMM != nil && in.DaysBetween == nil {
			fs.Add(given.Missing, "days_between", "nothing", "the days between the two measures")
		}
		if in.DiameterMM == nil && !in.InBloom {
			fs.Add(given.Missing, "diameter_mm", "nothing", "the mean of ten fruitlets across the cheeks, mm")
		}
		if in.EarlierMM != nil && in.DiameterMM != nil && *in.EarlierMM > *in.DiameterMM {
			fs.Add(given.Conflict, "earlier_diameter_mm", ftoa(*in.EarlierMM), "at most the later one's "+ftoa(*in.DiameterMM))
		}
	}
	if err := fs.Err(); err != nil {
		return Time{}, err
	}
	out := Time{Warnings: []string{}}
	hand := byHand(k, in.ThinAnyway)
	if hand && !in.InBloom {
		out.days(&in, &k.Crop)
	}
	frost := in.FrostRisk >= frostMatters
	warned := false
	out.State, out.Reason, warned = decide(&in, k, hand, frost)
	if warned && frost {
		out.Warnings = append(out.Warnings, WFrostRisk)
	}
	if k.Group != pomology.Stone && in.DaysAfterBloom != nil && *in.DaysAfterBloom > nextYearUntil && hand {
		out.Warnings = append(out.Warnings, WNextYear)
	}
	out.Warnings = sorted(out.Warnings)
	return out, nil
}

func (t *Time) days(in *TimeInput, c *pomology.Crop) {
	rate := usualRate
	if in.EarlierMM != nil && in.DaysBetween != nil {
		rate = (*in.DiameterMM - *in.EarlierMM) / *in.DaysBetween
	}
	t.RateMMDay = &rate
	if rate <= 0 {
		return
	}
	opens, closes := max(0, int(num.Ceil((c.OpenMM-*in.DiameterMM)/rate))), max(0, int(num.Floor((c.CloseMM-*in.DiameterMM)/rate)))
	t.DaysToOpen, t.DaysToClose = &opens, &closes
}

// decide goes through the table of states in its order. warns tells that a frost to come is to be warned of.
func decide(in *TimeInput, k *pomology.Kind, hand, frost bool) (state, reason string, warns bool) {
	c := &k.Crop
	sizeOr := func() string {
		if frost {
			return "frost"
		}
		return "size"
	}
	switch {
	case !hand:
		return "not_thinned", "kind", false
	case in.InBloom && in.School != AtBloom:
		return "wait", sizeOr(), false
	case in.InBloom && frost:
		return "wait", "frost", true
	case in.InBloom:
		return "open", "bloom", false
	}
	d := *in.DiameterMM
	if k.Group == pomology.Stone {
		switch {
		case in.StoneHard || d >= c.CloseMM:
			return "late", "stone_hard", false
		case d < c.OpenMM:
			return "wait", sizeOr(), false
		case frost && d < c.BestMM:
			return "wait", "frost", true
		case d < c.BestMM:
			return "open", "size", true
		}
		return "closing", "size", true
	}
	switch {
	case d >= c.CloseMM:
		return "late", "size", false
	case in.DaysSinceDrop > lateAfterDrop:
		return "late", "time", false
	case in.School == AfterDrop && frost:
		return "wait", "frost", true
	case in.School == AfterDrop && !in.DropOver:
		return "wait", "drop", false
	case in.School == AfterDrop && in.DaysSinceDrop > closeAfter:
		return "closing", "drop", false
	case in.School == AfterDrop:
		return "open", "drop", false
	case d < c.OpenMM:
		return "wait", sizeOr(), false
	case d >= c.BestMM:
		return "closing", "size", true
	}
	return "open", "size", true
}

// ThinOrNotInput is what hangs and what should.
type ThinOrNotInput struct {
	Available int  `json:"available" in:"[0,100000]"`
	Target    int  `json:"target" in:"[0,100000]"`
	Frost     bool `json:"frost_this_spring" in:"= false"`
}

// ThinOrNot says whether thinning is worth it. Skip still means: damaged, twin and touching fruit off.
type ThinOrNot struct {
	Verdict string   `json:"verdict"` // strip, nothing, skip, light, full
	Ratio   *float64 `json:"ratio"`
	Remove  int      `json:"remove"`
	Missing int      `json:"missing"`
}

// Limits of skipping (est.): after a frost, scars and late drop still come.
const (
	skipTo      = 1.10
	skipToFrost = 1.25
	lightTo     = 1.5
)

// WhetherToThin compares what hangs with the target, `thin_or_not`. Errors: given.Faults.
func WhetherToThin(in ThinOrNotInput) (ThinOrNot, error) {
	if err := given.Check(in).Err(); err != nil {
		return ThinOrNot{}, err
	}
	out := ThinOrNot{Missing: max(0, in.Target-in.Available), Remove: max(0, in.Available-in.Target)}
	if in.Target == 0 {
		out.Verdict = "strip"
		if in.Available == 0 {
			out.Verdict = "nothing"
		}
		return out, nil
	}
	r := float64(in.Available) / float64(in.Target)
	out.Ratio = &r
	skip := skipTo
	if in.Frost {
		skip = skipToFrost
	}
	switch {
	case r <= skip+num.Slack:
		out.Verdict, out.Remove = "skip", 0
	case r <= lightTo+num.Slack:
		out.Verdict = "light"
	default:
		out.Verdict = "full"
	}
	return out, nil
}
