package crop

import (
	"cmp"
	"math"
	"slices"

	"vertumna/core/given"
	"vertumna/core/num"
	"vertumna/core/pomology"
)

// AllotLimb is a limb that takes its part of the tree's fruit.
type AllotLimb struct {
	ID         string  `json:"id" in:"id"`
	DiameterMM float64 `json:"diameter_mm" in:"(0,1500]"`
	Light      float64 `json:"light" in:"[0,1] = 1"`
	NoFruit    bool    `json:"no_fruit" in:"= false"`
	SafeFruit  *int    `json:"safe_fruit" in:"? [0,100000]"`
	Counted    *int    `json:"counted" in:"? [0,100000]"`
	Taken      int     `json:"taken_by_cuts" in:"[0,100000] = 0"` // fruit gone with wood since the count
	AboveReach float64 `json:"above_reach_share" in:"[0,1] = 0"`
}

// AllotInput is the tree's target and its limbs.
type AllotInput struct {
	Target      int         `json:"target" in:"[0,100000]"`
	PerCM2      *float64    `json:"per_cm2" in:"? [0,1000]"` // of limbs not counted
	SecondsEach float64     `json:"seconds_each" in:"[0.5,60] = 3"`
	Limbs       []AllotLimb `json:"limbs" in:"list 1"`
}

// LimbShare is what one limb keeps and loses.
type LimbShare struct {
	ID        string   `json:"id"`
	On        *int     `json:"on"` // fruit on it now
	Keep      int      `json:"keep"`
	Remove    *int     `json:"remove"`
	KeepOneIn *float64 `json:"keep_one_in"` // to halves
}

// Allotment is the tree's number shared out.
type Allotment struct {
	Limbs    []LimbShare `json:"limbs"`
	Keep     int         `json:"keep"`
	Short    int         `json:"short"` // of the target, not placed
	Remove   *int        `json:"remove"`
	Minutes  *float64    `json:"minutes"`
	Warnings []string    `json:"warnings"`
}

// Pace of thinning (est.): 3 s a fruit by hand, twice that by pole; a minute at each limb, five to set up.
const (
	minutesALimb = 1
	minutesSetUp = 5
)

// share is a limb's part in the making.
type share struct {
	w, cap, keep float64
	open         bool
}

// Allot shares the tree's target out to its limbs by their section and light, `allotment`; none gets more than it carries
// safely or than hangs on it. Cost: limbs squared at worst. Errors: given.Faults.
func Allot(in AllotInput) (Allotment, error) {
	fs := given.Check(in)
	if len(fs) == 0 {
		for i, l := range in.Limbs {
			if l.Counted != nil && l.Taken > *l.Counted {
				fs.Add(given.Conflict, "limbs["+itoa(i)+"].taken_by_cuts", itoa(l.Taken), "at most the "+itoa(*l.Counted)+" counted")
			}
		}
	}
	if err := fs.Err(); err != nil {
		return Allotment{}, err
	}
	out := Allotment{Limbs: make([]LimbShare, len(in.Limbs)), Warnings: []string{}}
	shares := make([]share, len(in.Limbs))
	bears := false
	for i, l := range in.Limbs {
		out.Limbs[i] = LimbShare{ID: l.ID, On: onLimb(&l, in.PerCM2)}
		s := share{cap: math.Inf(1)}
		if !l.NoFruit {
			s.w = pomology.Section(l.DiameterMM) * num.Clamp((l.Light-0.15)/0.45, 0, 1)
		}
		if l.SafeFruit != nil {
			s.cap = float64(*l.SafeFruit)
		}
		if on := out.Limbs[i].On; on != nil {
			s.cap = math.Min(s.cap, float64(*on))
		}
		s.open = s.w > 0 && s.cap > 0
		bears = bears || s.w > 0
		shares[i] = s
	}
	if !bears {
		out.Warnings = append(out.Warnings, WNoBearing)
	}
	shareOut(shares, float64(in.Target))
	for i := range shares {
		out.Limbs[i].keep(int(shares[i].keep))
		out.Keep += out.Limbs[i].Keep
	}
	out.Short = in.Target - out.Keep
	out.effort(&in)
	return out, nil
}

func onLimb(l *AllotLimb, perCM2 *float64) *int {
	var on int
	switch {
	case l.Counted != nil:
		on = *l.Counted
	case perCM2 != nil:
		on = int(num.Round(*perCM2 * pomology.Section(l.DiameterMM)))
	default:
		return nil
	}
	on = max(0, on-l.Taken)
	return &on
}

// shareOut gives the open limbs their part by weight; those whose part reaches what they may have get that and close. What
// whole numbers leave over goes one each to the largest remainders.
func shareOut(shares []share, target float64) {
	left := target
	sumOpen := func() (w float64) {
		for i := range shares {
			if shares[i].open {
				w += shares[i].w
			}
		}
		return w
	}
	for closed := true; closed; {
		closed = false
		w, rest := sumOpen(), left
		for i := range shares {
			s := &shares[i]
			if s.open && rest*s.w/w >= s.cap-num.Slack {
				s.keep, s.open, closed = s.cap, false, true
				left -= s.cap
			}
		}
	}
	w := sumOpen()
	if w == 0 {
		return
	}
	type rest struct {
		i    int
		part float64
	}
	var rests []rest
	over := left
	for i := range shares {
		s := &shares[i]
		if !s.open {
			continue
		}
		part := left * s.w / w
		s.keep = num.Floor(part)
		over -= s.keep
		rests = append(rests, rest{i, math.Round(math.Max(0, part-s.keep)*1e9) / 1e9})
	}
	slices.SortStableFunc(rests, func(a, b rest) int {
		return cmp.Or(cmp.Compare(b.part, a.part), cmp.Compare(shares[b.i].w, shares[a.i].w))
	})
	for _, r := range rests {
		if over < 0.5 {
			return
		}
		shares[r.i].keep++
		over--
	}
}

func (l *LimbShare) keep(n int) {
	l.Keep = n
	if l.On == nil {
		return
	}
	gone := max(0, *l.On-n)
	l.Remove = &gone
	if *l.On > 0 && n > 0 {
		one := num.Round(2*float64(*l.On)/float64(n)) / 2
		l.KeepOneIn = &one
	}
}

// effort sums what comes off and how long it takes, where every limb is known.
func (a *Allotment) effort(in *AllotInput) {
	total, minutes := 0, 0.0
	for i, l := range a.Limbs {
		if l.Remove == nil {
			return
		}
		if *l.Remove == 0 {
			continue
		}
		total += *l.Remove
		minutes += float64(*l.Remove)*in.SecondsEach*(1+in.Limbs[i].AboveReach)/60 + minutesALimb
	}
	if total > 0 {
		minutes += minutesSetUp
	}
	a.Remove, a.Minutes = &total, &minutes
}

// LeftLimb is a limb counted after it was thinned.
type LeftLimb struct {
	ID   string `json:"id" in:"id"`
	Keep int    `json:"keep" in:"[0,100000]"`
	Left int    `json:"left" in:"[0,100000]"`
}

// SecondInput is what hangs about a week after thinning: what was hidden shows.
type SecondInput struct {
	Limbs     []LeftLimb `json:"limbs" in:"list 1"`
	Tolerance float64    `json:"tolerance" in:"[0.02,1] = 0.15"`
}

// Again is a limb to go over once more.
type Again struct {
	ID     string `json:"id"`
	Remove int    `json:"remove"`
}

// Second says whether the work is done.
type Second struct {
	Ratio   *float64 `json:"ratio"`
	Verdict string   `json:"verdict"` // again, over, done
	Again   []Again  `json:"again"`
}

// SecondPass judges a second count, `second_pass`. Errors: given.Faults.
func SecondPass(in SecondInput) (Second, error) {
	if err := given.Check(in).Err(); err != nil {
		return Second{}, err
	}
	out := Second{Again: []Again{}, Verdict: "done"}
	left, keep := 0, 0
	for _, l := range in.Limbs {
		left, keep = left+l.Left, keep+l.Keep
		if float64(l.Left) > float64(l.Keep)*(1+in.Tolerance)+1+num.Slack {
			out.Again = append(out.Again, Again{l.ID, l.Left - l.Keep})
		}
	}
	if keep == 0 {
		if left > 0 {
			out.Verdict = "again"
		}
		return out, nil
	}
	r := float64(left) / float64(keep)
	out.Ratio = &r
	switch {
	case r > 1+in.Tolerance+num.Slack:
		out.Verdict = "again"
	case r < 1-in.Tolerance-num.Slack:
		out.Verdict = "over"
	}
	return out, nil
}
