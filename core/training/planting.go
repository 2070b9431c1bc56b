package training

import (
	"fmt"
	"math"
	"slices"

	"vertumna/core/given"
	"vertumna/core/num"
)

// Warnings of the training models.
const (
	WGraft     = "W_GRAFT"       // the graft stands so high that the cut was raised
	WTooShort  = "W_TOO_SHORT"   // not yet higher than the cut: next winter
	WNoBud     = "W_NO_BUD"      // no bud in the window
	WFewBuds   = "W_FEW_BUDS"    // fewer buds under the cut than limbs wanted
	WOneSided  = "W_ONE_SIDED"   // all buds under the cut look one way
	WOneTier   = "W_ONE_TIER"    // room for one tier: an open form serves better
	WSlips     = "W_SLIPS"       // a spreader that stands too slanting
	WWeakPull  = "W_WEAK_PULL"   // the cord pulls along the limb more than across it
	WPeg       = "W_PEG"         // more than a stake of 40 cm holds
	WTooStiff  = "W_TOO_STIFF"   // more than two stages: cut, leave, or bend less
	WHeavy     = "W_HEAVY"       // no weight to hang: spreader or tie
	WNotSet    = "W_NOT_SET"     // comes off before the wood has set
	WMoveLoop  = "W_MOVE_LOOP"   // on so long that the loop must be moved
	WSmall     = "W_SMALL"       // too few to tell
	WUseAtOnce = "W_USE_AT_ONCE" // wood cut so late is grafted the same day
	WShort     = "W_SHORT"       // fewer pieces than wanted
)

// PlantingBud is a bud on the stem of a tree that is planted.
type PlantingBud struct {
	ID         string  `json:"id" in:"id"`
	HeightCM   float64 `json:"height_cm" in:"[0,2000]"`
	AzimuthDeg float64 `json:"azimuth_deg" in:"[0,360]"`
	Sound      bool    `json:"sound" in:"= true"`
}

// PlantingCut asks where a tree is headed when it is planted. Heights in cm from the ground.
type PlantingCut struct {
	Form        string        `json:"form" in:"open-vase|low-bush|central-leader|modified-leader|fan|tiers|step-over"`
	Material    string        `json:"material" in:"whip|branched = whip"`
	HeightCM    float64       `json:"height_cm" in:"(0,2000]"`
	GraftCM     float64       `json:"graft_cm" in:"[0,100] = 10"`
	FirstWireCM float64       `json:"first_wire_cm" in:"[20,150] = 40"`
	Buds        []PlantingBud `json:"buds" in:"?"`
	lower       float64       // by how much a school heads lower than the form
}

// Heading is the answer: cut, or leave for a winter; where, above which bud, and what goes.
type Heading struct {
	Action       string   `json:"action"`
	CutCM        *float64 `json:"cut_cm"`
	NominalCM    float64  `json:"nominal_cm"`
	Bud          *string  `json:"bud"`
	BudsBelow    *int     `json:"buds_below"`
	WidestGapDeg *float64 `json:"widest_gap_deg"`
	RemovedShare *float64 `json:"removed_share"`
	Warnings     []string `json:"warnings"`
	LowCM        float64  `json:"-"` // the window
	HighCM       float64  `json:"-"`
}

// headedSlackCM: a few fingers over the wanted stretch make no other tree; our estimate.
const headedSlackCM = 5

// TooHigh says whether a stem that was to be headed was cut too far up, cm.
func (h Heading) TooHigh(cm float64) bool { return h.Action == "cut" && cm > h.HighCM+headedSlackCM }

type plantingForm struct {
	whip, branched, window, zone float64
	wanted                       int
}

var plantingForms = map[string]plantingForm{
	"open-vase": {60, 60, 10, 25, 4}, "low-bush": {45, 45, 10, 25, 4}, "central-leader": {90, 80, 10, 45, 4},
	"modified-leader": {90, 80, 10, 45, 4}, "fan": {60, 60, 10, 25, 4}, "tiers": {3, 3, 5, 12, 3}, "step-over": {0, 0, 5, 12, 2},
}

const (
	aboveGraftCM = 15  // the least a cut stands above the graft
	budAboveCM   = 10  // the least its bud does
	aboveBudCM   = 0.6 // where it is made, sloped away from the bud
	tooShortCM   = 2
	oneSidedDeg  = 180
)

// HeadAtPlanting is where a tree is headed at planting, `planting_cut`: at the height of its form, moved within a window to the
// bud with the best buds under it. Errors: given.Faults. Cost: the buds squared.
func HeadAtPlanting(in PlantingCut) (Heading, error) {
	fs := given.Check(in)
	if len(fs) == 0 {
		for i, b := range in.Buds {
			if b.HeightCM > in.HeightCM {
				fs.Add(given.Conflict, fmt.Sprintf("buds[%d].height_cm", i), fmt.Sprintf("%g", b.HeightCM), fmt.Sprintf("at most the tree's %g", in.HeightCM))
			}
		}
	}
	if err := fs.Err(); err != nil {
		return Heading{}, err
	}
	f := plantingForms[in.Form]
	h := f.whip
	if in.Material == "branched" {
		h = f.branched
	}
	if in.Form == "tiers" || in.Form == "step-over" {
		h += in.FirstWireCM
	} else {
		h -= in.lower
	}
	out := Heading{Action: "cut", Warnings: []string{}}
	if h < in.GraftCM+aboveGraftCM {
		h = in.GraftCM + aboveGraftCM
		out.Warnings = append(out.Warnings, WGraft)
	}
	out.NominalCM, out.LowCM, out.HighCM = h, h-f.window, h+f.window
	if in.HeightCM <= h+tooShortCM {
		out.Action, out.Warnings = "leave", append(out.Warnings, WTooShort)
		slices.Sort(out.Warnings)
		return out, nil
	}
	cut := h
	if b, under, gap, ok := in.bestBud(h, f); ok {
		cut = b.HeightCM + aboveBudCM
		out.Bud, out.BudsBelow, out.WidestGapDeg = &b.ID, &under, &gap
		if under < min(3, f.wanted) {
			out.Warnings = append(out.Warnings, WFewBuds)
		}
		if gap > oneSidedDeg+num.Slack && f.wanted >= 3 {
			out.Warnings = append(out.Warnings, WOneSided)
		}
	} else if len(in.Buds) > 0 {
		out.Warnings = append(out.Warnings, WNoBud)
	}
	gone := (in.HeightCM - cut) / in.HeightCM
	out.CutCM, out.RemovedShare = &cut, &gone
	slices.Sort(out.Warnings)
	return out, nil
}

// bestBud is the bud in the window with the best sound buds in the zone under it, itself one of them.
func (in PlantingCut) bestBud(h float64, f plantingForm) (best PlantingBud, under int, gap float64, ok bool) {
	score := math.Inf(-1)
	for _, b := range in.Buds {
		if !b.Sound || math.Abs(b.HeightCM-h) > f.window+num.Slack || b.HeightCM < in.GraftCM+budAboveCM || b.HeightCM > in.HeightCM-1 {
			continue
		}
		var az []float64
		for _, o := range in.Buds {
			if o.Sound && o.HeightCM > b.HeightCM-f.zone+num.Slack && o.HeightCM <= b.HeightCM {
				az = append(az, o.AzimuthDeg)
			}
		}
		g := WidestGap(az)
		s := 10*math.Min(float64(len(az)), float64(f.wanted)) - 0.5*math.Abs(b.HeightCM-h) - g/36
		if s > score+num.Slack || s > score-num.Slack && b.HeightCM < best.HeightCM {
			best, under, gap, score, ok = b, len(az), g, s, true
		}
	}
	return best, under, gap, ok
}

// WidestGap is the widest angle between neighbours of some bearings, degrees; 360 for one or none.
func WidestGap(azimuths []float64) float64 {
	_, gaps := gapsOf(azimuths)
	if len(gaps) == 0 {
		return 360
	}
	return slices.Max(gaps)
}

// gapsOf are the angles between neighbours round the trunk, with where each starts.
func gapsOf(azimuths []float64) (from, gap []float64) {
	az := make([]float64, len(azimuths))
	for i, a := range azimuths {
		az[i] = math.Mod(a, 360)
	}
	slices.Sort(az)
	for i := range az {
		next := az[(i+1)%len(az)]
		if i == len(az)-1 {
			next += 360
		}
		from, gap = append(from, az[i]), append(gap, next-az[i])
	}
	return from, gap
}

// unevenness is how far the gaps between bearings stand from equal ones, 0..1; 1 for a single one.
func unevenness(azimuths []float64) float64 {
	_, gap := gapsOf(azimuths)
	if len(gap) == 1 {
		return 1
	}
	equal, sum := 360/float64(len(gap)), 0.0
	for _, g := range gap {
		sum += math.Abs(g - equal)
	}
	return sum / (2 * (360 - equal))
}

// apartPenalty is what successive heights lose that are closer than low or wider than high, 0..1 on average.
func apartPenalty(heights []float64, low, high float64) float64 {
	h := slices.Sorted(slices.Values(heights))
	sum := 0.0
	for i := 1; i < len(h); i++ {
		switch v := h[i] - h[i-1]; {
		case v < low:
			sum += (low - v) / low
		case v > high:
			sum += math.Min(1, (v-high)/high)
		}
	}
	return sum / math.Max(1, float64(len(h)-1))
}
