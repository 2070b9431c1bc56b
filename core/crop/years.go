package crop

import (
	"math"

	"vertumna/core/given"
	"vertumna/core/num"
)

// CropsInput is one number a year, kilos or fruit throughout; nil for a year not recorded.
type CropsInput struct {
	Crops []*float64 `json:"crops" in:"list 2"`
}

// The range of a year's crop, kilos or fruit.
const mostCrop = 100000

// Alternation says whether a tree bears one year and rests the next.
type Alternation struct {
	Index     *float64 `json:"index"` // 0 steady to 1
	Pairs     int      `json:"pairs"`
	Reversals int      `json:"reversals"`
	Verdict   string   `json:"verdict"` // too_short, alternating, uneven, mild, steady
	Next      string   `json:"next"`    // on, off, unknown
}

// Limits of the alternation index (est.); the index after Hoblyn et al. 1936.
const (
	unevenFrom    = 0.3
	mildFrom      = 0.15
	reversalShare = 2.0 / 3
	leastPairs    = 3
)

// Alternate measures the alternation of a row of crops, `alternation`. A young tree's rise alone gives an index of 0.2 to 0.4: the
// reversals keep it from being called alternating. Errors: given.Faults.
func Alternate(in CropsInput) (Alternation, error) {
	fs := given.Check(in)
	for i, c := range in.Crops {
		fs.May("crops["+itoa(i)+"]", c, 0, mostCrop)
	}
	if err := fs.Err(); err != nil {
		return Alternation{}, err
	}
	sum, pairs, reversals, chances := 0.0, 0, 0, 0
	var before *float64 // the difference before, where known and not 0
	for i := 1; i < len(in.Crops); i++ {
		a, b := in.Crops[i-1], in.Crops[i]
		if a == nil || b == nil {
			before = nil
			continue
		}
		if *a+*b > 0 {
			sum += math.Abs(*b-*a) / (*a + *b)
			pairs++
		}
		d := *b - *a
		if d == 0 {
			before = nil
			continue
		}
		if before != nil {
			chances++
			if d*(*before) < 0 {
				reversals++
			}
		}
		before = &d
	}
	out := Alternation{Pairs: pairs, Reversals: reversals, Next: "unknown"}
	if pairs > 0 {
		mean := sum / float64(pairs)
		out.Index = &mean
	}
	switch {
	case pairs < leastPairs:
		out.Verdict = "too_short"
	case *out.Index >= unevenFrom-num.Slack && chances > 0 && float64(reversals) >= reversalShare*float64(chances)-num.Slack:
		out.Verdict = "alternating"
		if before != nil && *before > 0 {
			out.Next = "off"
		} else if before != nil {
			out.Next = "on"
		}
	case *out.Index >= unevenFrom-num.Slack:
		out.Verdict = "uneven"
	case *out.Index >= mildFrom-num.Slack:
		out.Verdict = "mild"
	default:
		out.Verdict = "steady"
	}
	return out, nil
}

// Bloom states of a year.
const (
	On      = "on"
	Off     = "off"
	Normal  = "normal"
	Rebound = "rebound" // the year after a freeze
)

// bloomCurve: next year's bloom share is 1/(1 + exp(a (r - c))) at a load r (est.).
var bloomCurve = map[string]struct{ a, c float64 }{"strong": {4, 1.2}, "moderate": {3, 1.5}, "weak": {2, 2.2}}

func bloomShare(tendency string, load float64) float64 {
	b := bloomCurve[tendency]
	return 1 / (1 + math.Exp(b.a*(load-b.c)))
}

func bloomState(share float64) string {
	switch {
	case share >= 0.85-num.Slack:
		return On
	case share < 0.35-num.Slack:
		return Off
	}
	return Normal
}

// lateFruit: how much of a fruit's hold on next year's buds is already spent when it comes off, by days after full bloom
// (seeds hold back buds until then; Chan and Cain 1967, Jonkers 1979; the curve is est.).
var lateFruit = [][2]float64{{30, 0}, {45, 0.3}, {60, 0.6}, {120, 1}}

// BloomInput is what a tree carried.
type BloomInput struct {
	Species        string  `json:"species"`
	Tendency       *string `json:"tendency" in:"? weak|moderate|strong"`
	Kept           int     `json:"kept" in:"[0,100000]"`
	Reference      int     `json:"reference" in:"[1,100000]"` // the medium density target
	Removed        int     `json:"removed" in:"[0,100000] = 0"`
	DaysAfterBloom float64 `json:"days_after_bloom" in:"[0,250] = 30"`
}

// Bloom is what next year's bloom will be, as a share of a full one.
type Bloom struct {
	Load       float64 `json:"load"` // this year's, 1 a medium one
	BloomShare float64 `json:"bloom_share"`
	Next       string  `json:"next"` // on, off, normal
	Tendency   string  `json:"tendency"`
}

// ReturnBloom forecasts next year's bloom from this year's load, `return_bloom`. Errors: given.Faults.
func ReturnBloom(in BloomInput) (Bloom, error) {
	k, fs := kindOf(in, in.Species)
	if err := fs.Err(); err != nil {
		return Bloom{}, err
	}
	t := k.Crop.Alternation
	if in.Tendency != nil {
		t = *in.Tendency
	}
	r := (float64(in.Kept) + num.Lerp(lateFruit, in.DaysAfterBloom)*float64(in.Removed)) / float64(in.Reference)
	b := bloomShare(t, r)
	return Bloom{Load: r, BloomShare: b, Next: bloomState(b), Tendency: t}, nil
}

// unthinned is the load of a full bloom that nobody thins, of a medium one.
const unthinned = 2.2

// EchoInput asks for the years after a freeze.
type EchoInput struct {
	Species   string  `json:"species"`
	Tendency  *string `json:"tendency" in:"? weak|moderate|strong"`
	Years     int     `json:"years" in:"[1,20] = 4"`
	Potential float64 `json:"potential" in:"[0.2,5] = 2.2"` // load of a full bloom left unthinned
	Thinned   bool    `json:"thinned" in:"= false"`
	FirstLoad float64 `json:"first_load" in:"[0,5] = 0"` // of the frozen year
}

// EchoYear is one year after a freeze.
type EchoYear struct {
	BloomShare float64 `json:"bloom_share"`
	Load       float64 `json:"load"`
	State      string  `json:"state"`
}

// Echo is what follows a freeze: none, a heavy year, none again, unless thinned.
type Echo struct {
	Years []EchoYear `json:"years"`
	Index float64    `json:"index"` // of the loads, as in Alternation
}

// FreezeEcho follows the years after a freeze, `freeze_echo`. Errors: given.Faults.
func FreezeEcho(in EchoInput) (Echo, error) {
	k, fs := kindOf(in, in.Species)
	if err := fs.Err(); err != nil {
		return Echo{}, err
	}
	t := k.Crop.Alternation
	if in.Tendency != nil {
		t = *in.Tendency
	}
	var out Echo
	r, sum, pairs := in.FirstLoad, 0.0, 0
	for range in.Years {
		b := bloomShare(t, r)
		next := in.Potential * b
		if in.Thinned {
			next = math.Min(next, 1)
		}
		if r+next > 0 {
			sum += math.Abs(next-r) / (r + next)
			pairs++
		}
		r = next
		out.Years = append(out.Years, EchoYear{b, r, bloomState(b)})
	}
	if pairs > 0 {
		out.Index = sum / float64(pairs)
	}
	return out, nil
}

// FrostInput is what the knife showed: of the flower buds cut across, how many had a live heart.
type FrostInput struct {
	Species    string `json:"species"`
	Opened     int    `json:"opened" in:"[1,5000]"`
	Alive      int    `json:"alive" in:"[0,5000]"`
	FlowerBuds *int   `json:"flower_buds" in:"? [0,1000000]"`
	Target     *int   `json:"target" in:"? [0,100000]"`
}

// Frosted is what a freeze left. Share with its 90 % interval (Wilson 1927).
type Frosted struct {
	Share      float64  `json:"share"`
	Low        float64  `json:"low"`
	High       float64  `json:"high"`
	Fruit      *int     `json:"fruit"`        // the live buds come to
	Needed     *float64 `json:"needed_share"` // of the buds alive, for the target
	Verdict    string   `json:"verdict"`      // counted, none, short, doubtful, enough, plenty
	BudsToKeep *int     `json:"buds_to_keep"` // through the dormant cut
	OpenMore   int      `json:"open_more"`
}

// SureBuds is how many buds make the interval of a frost count no wider than a fifth: z^2 0.25/0.1^2.
const SureBuds = 68

const (
	frostWidth = 0.20 // an interval no wider needs no more buds
	plentyFrom = 1.5
)

// FrostBuds reads a count of frosted buds, `frost_buds`. By default buds are kept by the low end: a bud cut cannot be put
// back, a fruit too many can come off later. Errors: given.Faults.
func FrostBuds(in FrostInput) (Frosted, error) {
	k, fs := kindOf(in, in.Species)
	if len(fs) == 0 && in.Alive > in.Opened {
		fs.Add(given.Conflict, "alive", itoa(in.Alive), "at most the "+itoa(in.Opened)+" opened")
	}
	if err := fs.Err(); err != nil {
		return Frosted{}, err
	}
	n := float64(in.Opened)
	p := float64(in.Alive) / n
	z2 := z90 * z90
	mid, half := (p+z2/(2*n))/(1+z2/n), z90/(1+z2/n)*math.Sqrt(p*(1-p)/n+z2/(4*n*n))
	out := Frosted{Share: p, Low: math.Max(0, mid-half), High: math.Min(1, mid+half), Verdict: "counted"}
	if out.High-out.Low > frostWidth+num.Slack {
		out.OpenMore = max(0, SureBuds-in.Opened)
	}
	if in.Alive == 0 {
		out.Low = 0
	}
	if in.Alive == in.Opened {
		out.High = 1
	}
	if in.FlowerBuds != nil {
		f := int(num.Floor(k.Set(float64(*in.FlowerBuds), p)))
		out.Fruit = &f
	}
	if in.FlowerBuds == nil || in.Target == nil {
		return out, nil
	}
	buds, target := float64(*in.FlowerBuds), float64(*in.Target)
	needed := math.Inf(1)
	switch {
	case buds > 0:
		needed = target / k.Set(buds, 1)
		out.Needed = &needed
	case target == 0:
		needed = 0
	}
	out.Verdict = frostVerdict(in.Alive, out.Low, out.High, needed)
	keep := *in.FlowerBuds
	if out.Low > 0 {
		keep = min(keep, int(num.Ceil(target/k.Set(1, out.Low))))
	}
	out.BudsToKeep = &keep
	return out, nil
}

func frostVerdict(alive int, low, high, needed float64) string {
	switch {
	case high < needed-num.Slack && alive == 0:
		return "none"
	case high < needed-num.Slack:
		return "short"
	case low < needed-num.Slack:
		return "doubtful"
	case low < plentyFrom*needed-num.Slack:
		return "enough"
	}
	return "plenty"
}
