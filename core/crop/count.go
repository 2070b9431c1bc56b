package crop

import (
	"fmt"
	"math"

	"vertumna/core/given"
	"vertumna/core/num"
	"vertumna/core/pomology"
)

// Girth is a limb by its thickness, measured past the flare of its base.
type Girth struct {
	ID         string  `json:"id" in:"id"`
	DiameterMM float64 `json:"diameter_mm" in:"(0,1500]"`
}

// Counted is a limb with its fruit.
type Counted struct {
	ID         string  `json:"id" in:"id"`
	DiameterMM float64 `json:"diameter_mm" in:"(0,1500]"`
	Fruit      int     `json:"fruit" in:"[0,100000]"`
}

// CountInput is what was counted of a tree: Scaffolds are all limbs that carry the crop, Counted some of them or parts of
// them, never one inside another.
type CountInput struct {
	Scaffolds []Girth   `json:"scaffolds" in:"list 1"`
	Counted   []Counted `json:"counted" in:"list 1"`
}

// Verdicts on a count.
const (
	CountedAll = "counted"
	Good       = "good"
	Rough      = "rough"
	TooFew     = "too_few"
	NoneSeen   = "none_seen"
)

// Count is the tree's fruit from a few of its limbs, with a 90 % interval.
type Count struct {
	Fruit     float64  `json:"fruit"`
	PerCM2    float64  `json:"per_cm2"` // of section
	SE        float64  `json:"se"`
	Low       float64  `json:"low"`
	High      float64  `json:"high"`
	Fraction  float64  `json:"fraction"`   // of the section counted
	HalfWidth *float64 `json:"half_width"` // of the interval, as a share of Fruit; nil where no fruit was seen
	Verdict   string   `json:"verdict"`
	CountMore int      `json:"count_more"` // limbs
}

// Numbers of the count (est., but Cochran 1977 for the estimator).
const (
	wholeTree    = 0.999 // share of the section from which the tree counts as counted
	overlap      = 1.02  // more section counted than there is: a limb counted twice
	limbSpread   = 0.35  // between limbs of one tree; 0.2 to 0.5 seen
	goodWidth    = 0.25
	roughWidth   = 0.5
	poissonUpper = 2.996 // 95 % upper bound where none was seen
)

// CountTree makes the tree's number out of a few counted limbs, `count_tree`: the ratio estimator for a finite population
// (Cochran 1977), for fruit goes with sap-carrying section, so that unequal limbs add little error. Errors: given.Faults.
func CountTree(in CountInput) (Count, error) {
	fs := given.Check(in)
	if err := fs.Err(); err != nil {
		return Count{}, err
	}
	var X, sumX, sumY float64
	for _, s := range in.Scaffolds {
		X += pomology.Section(s.DiameterMM)
	}
	for _, c := range in.Counted {
		sumX += pomology.Section(c.DiameterMM)
		sumY += float64(c.Fruit)
	}
	if sumX > overlap*X {
		fs.Add(given.Conflict, "counted", fmt.Sprintf("%.1f cm2 of limbs", sumX), fmt.Sprintf("at most the tree's %.1f cm2: each limb once, no part inside a part", X))
		return Count{}, fs
	}
	n := float64(len(in.Counted))
	f := math.Min(1, sumX/X)
	if f > wholeTree {
		f = 1
	}
	R := sumY / sumX
	xbar, ybar := sumX/n, sumY/n
	residual := 0.0
	for _, c := range in.Counted {
		d := float64(c.Fruit) - R*pomology.Section(c.DiameterMM)
		residual += d * d
	}
	out := Count{Fruit: R * X, PerCM2: R, Fraction: f}
	zero := 0.0
	s2 := math.Max(residual/math.Max(n-1, 1), ybar)
	switch {
	case f == 1:
		out.Fruit, out.Low, out.High, out.HalfWidth, out.Verdict = sumY, sumY, sumY, &zero, CountedAll
		return out, nil
	case sumY == 0:
		out.Fruit, out.High, out.Verdict = 0, poissonUpper*(X-sumX)/sumX, NoneSeen
	case n == 1:
		out.SE = out.Fruit * math.Sqrt(1-f) * math.Sqrt(limbSpread*limbSpread+1/sumY)
		out.between(z90, sumY)
		out.Verdict = TooFew
	default:
		out.SE = X * math.Sqrt((1-f)/n) * math.Sqrt(s2) / xbar
		out.between(t90(int(n)-1), sumY)
		switch h := *out.HalfWidth; {
		case h <= goodWidth+num.Slack:
			out.Verdict = Good
		case h <= roughWidth+num.Slack:
			out.Verdict = Rough
		default:
			out.Verdict = TooFew
		}
	}
	if out.Verdict != Good {
		cv := limbSpread
		if n >= 3 && sumY > 0 {
			cv = math.Sqrt(s2) / ybar
		}
		N := math.Max(n, num.Round(X/xbar))
		out.CountMore = max(1, need(int(N), cv, goodWidth)-int(n))
	}
	return out, nil
}

func (c *Count) between(t, seen float64) {
	c.Low, c.High = math.Max(c.Fruit-t*c.SE, seen), c.Fruit+t*c.SE
	h := (c.High - c.Fruit) / c.Fruit
	c.HalfWidth = &h
}

// t90 is Student's t, two-sided 90 %.
func t90(df int) float64 {
	table := []float64{
		6.314, 2.920, 2.353, 2.132, 2.015, 1.943, 1.895, 1.860, 1.833, 1.812, 1.796, 1.782, 1.771, 1.761, 1.753,
		1.746, 1.740, 1.734, 1.729, 1.725, 1.721, 1.717, 1.714, 1.711, 1.708, 1.706, 1.703, 1.701, 1.699, 1.697,
	}
	if df <= len(table) {
		return table[df-1]
	}
	return z90 + (z90*z90*z90+z90)/(4*float64(df))
}

// need is how many of N limbs to count for a half width E at a spread cv between them.
func need(N int, cv, E float64) int {
	if N <= 2 {
		return N
	}
	for n := 2; n < N; n++ {
		if t90(n-1)*cv*math.Sqrt((1-float64(n)/float64(N))/float64(n)) <= E+num.Slack {
			return n
		}
	}
	return N
}

// ToCountInput asks how many limbs to count.
type ToCountInput struct {
	Limbs     int     `json:"limbs" in:"[1,400]"`
	Spread    float64 `json:"spread" in:"[0,3] = 0.35"`
	HalfWidth float64 `json:"half_width" in:"[0.02,1] = 0.25"`
}

// ToCount says how many limbs to count, and which: places among the limbs ordered by thickness, thickest 0.
type ToCount struct {
	Count int   `json:"count"`
	Ranks []int `json:"ranks"`
}

// LimbsToCount chooses the limbs to count, `limbs_to_count`, spread over the sizes. Errors: given.Faults.
func LimbsToCount(in ToCountInput) (ToCount, error) {
	if err := given.Check(in).Err(); err != nil {
		return ToCount{}, err
	}
	n := need(in.Limbs, in.Spread, in.HalfWidth)
	out := ToCount{Count: n}
	for k := range n {
		out.Ranks = append(out.Ranks, int(num.Floor((float64(k)+0.5)*float64(in.Limbs)/float64(n))))
	}
	return out, nil
}
