package training

import (
	"cmp"
	"math"
	"slices"

	"vertumna/core/given"
	"vertumna/core/num"
)

// NotchBud is a bud on a stem.
type NotchBud struct {
	ID         string  `json:"id" in:"id"`
	HeightCM   float64 `json:"height_cm" in:"[0,400]"`
	AzimuthDeg float64 `json:"azimuth_deg" in:"[0,360]"`
	Sound      bool    `json:"sound" in:"= true"`
}

// Notching asks which buds are woken.
type Notching struct {
	CutCM           float64    `json:"cut_cm" in:"[30,400]"` // the stem's end
	LowCM           float64    `json:"low_cm" in:"[10,300] = 45"`
	HighCM          float64    `json:"high_cm" in:"[20,400] = 90"`
	Wanted          int        `json:"wanted" in:"[1,6] = 4"`
	WeeksToBudBreak float64    `json:"weeks_to_bud_break" in:"[-30,52] = 0"`
	Buds            []NotchBud `json:"buds" in:"list 1"`
}

// Notch is a bud that is woken, and where the knife goes.
type Notch struct {
	ID   string  `json:"id"`
	AtCM float64 `json:"at_cm"`
}

// Notches is the answer. State is wait, open, last_days or closed.
type Notches struct {
	State    string   `json:"state"`
	Notch    []Notch  `json:"notch"`
	Eligible int      `json:"eligible"`
	Short    int      `json:"short"`
	Cost     *float64 `json:"cost"`
}

// Rules of notching (est.).
const (
	NotchWeeks   = 4  // before bud break it opens
	breakAloneCM = 20 // under the top buds break by themselves
	notchApartCM = 5  // two notches nearer would ring the stem
	notchAboveCM = 0.5
	notchLow     = 10 // heights apart
	notchHigh    = 20
)

// ChooseNotches chooses the buds of a stem to wake, `notching`: all round and evenly up it. Errors: given.Faults. Cost: sets of
// the eligible buds.
func ChooseNotches(in Notching) (Notches, error) {
	fs := given.Check(in)
	if len(fs) == 0 && in.HighCM <= in.LowCM {
		fs.Add(given.Conflict, "high_cm", num.Text(in.HighCM), "above "+num.Text(in.LowCM))
	}
	if err := fs.Err(); err != nil {
		return Notches{}, err
	}
	out := Notches{Notch: []Notch{}}
	switch w := in.WeeksToBudBreak; {
	case w > NotchWeeks:
		out.State = "wait"
	case w >= 0:
		out.State = "open"
	case w >= -1:
		out.State = "last_days"
	default:
		out.State = "closed"
	}
	var buds []NotchBud
	for _, b := range in.Buds {
		if b.Sound && b.HeightCM >= in.LowCM && b.HeightCM <= math.Min(in.HighCM, in.CutCM-breakAloneCM)+num.Slack {
			buds = append(buds, b)
		}
	}
	out.Eligible = len(buds)
	for n := min(in.Wanted, len(buds)); n > 0; n-- {
		if set, cost := bestNotches(buds, n); set != nil {
			slices.SortStableFunc(set, func(a, b NotchBud) int { return cmp.Compare(a.HeightCM, b.HeightCM) })
			for _, b := range set {
				out.Notch = append(out.Notch, Notch{b.ID, b.HeightCM + notchAboveCM})
			}
			out.Cost = &cost
			break
		}
	}
	out.Short = in.Wanted - len(out.Notch)
	return out, nil
}

// bestNotches is the set of n buds with the least cost; nil where every set has two too near.
func bestNotches(buds []NotchBud, n int) (best []NotchBud, least float64) {
	least = math.Inf(1)
	set := make([]NotchBud, 0, n)
	az, heights := make([]float64, n), make([]float64, n)
	var grow func(from int)
	grow = func(from int) {
		if len(set) == n {
			for i, b := range set {
				az[i], heights[i] = b.AzimuthDeg, b.HeightCM
			}
			if cost := gapPoints*unevenness(az) + verticalPoints*apartPenalty(heights, notchLow, notchHigh); cost < least-num.Slack {
				best, least = slices.Clone(set), cost
			}
			return
		}
	next:
		for i := from; i <= len(buds)-(n-len(set)); i++ {
			for _, b := range set {
				if math.Abs(b.HeightCM-buds[i].HeightCM) < notchApartCM-num.Slack {
					continue next
				}
			}
			set = append(set, buds[i])
			grow(i + 1)
			set = set[:len(set)-1]
		}
	}
	grow(0)
	return best, least
}

// Trial asks whether a treatment helped.
type Trial struct {
	Treated        int `json:"treated" in:"[1,100000]"`
	TreatedBroke   int `json:"treated_broke" in:"[0,100000]"`
	Untreated      int `json:"untreated" in:"[1,100000]"`
	UntreatedBroke int `json:"untreated_broke" in:"[0,100000]"`
}

// TrialResult is the answer, a difference of shares with its 90 % interval. Verdict is helps, hurts or not_shown.
type TrialResult struct {
	TreatedShare   float64  `json:"treated_share"`
	UntreatedShare float64  `json:"untreated_share"`
	Difference     float64  `json:"difference"`
	Low            float64  `json:"low"`
	High           float64  `json:"high"`
	Verdict        string   `json:"verdict"`
	Warnings       []string `json:"warnings"`
}

const (
	z90        = 1.6449
	smallTrial = 5
)

// ReadTrial compares treated with untreated, `trial`: Newcombe 1998, method 10, from Wilson limits. It serves any fair trial
// with yes or no outcomes. Errors: given.Faults.
func ReadTrial(in Trial) (TrialResult, error) {
	fs := given.Check(in)
	if len(fs) == 0 {
		within := func(field string, broke, of int) {
			if broke > of {
				fs.Add(given.Conflict, field, num.Text(float64(broke)), "at most "+num.Text(float64(of)))
			}
		}
		within("treated_broke", in.TreatedBroke, in.Treated)
		within("untreated_broke", in.UntreatedBroke, in.Untreated)
	}
	if err := fs.Err(); err != nil {
		return TrialResult{}, err
	}
	p1, l1, u1 := wilson(in.TreatedBroke, in.Treated)
	p2, l2, u2 := wilson(in.UntreatedBroke, in.Untreated)
	out := TrialResult{TreatedShare: p1, UntreatedShare: p2, Difference: p1 - p2, Verdict: "not_shown", Warnings: []string{}}
	out.Low = out.Difference - math.Hypot(p1-l1, u2-p2)
	out.High = out.Difference + math.Hypot(u1-p1, p2-l2)
	if out.Low > num.Slack {
		out.Verdict = "helps"
	} else if out.High < -num.Slack {
		out.Verdict = "hurts"
	}
	if in.Treated < smallTrial || in.Untreated < smallTrial {
		out.Warnings = append(out.Warnings, WSmall)
	}
	return out, nil
}

// wilson is a share with its limits.
func wilson(k, of int) (p, low, high float64) {
	n := float64(of)
	p = float64(k) / n
	mid := p + z90*z90/(2*n)
	half := z90 * math.Sqrt(p*(1-p)/n+z90*z90/(4*n*n))
	by := 1 + z90*z90/n
	return p, (mid - half) / by, (mid + half) / by
}
