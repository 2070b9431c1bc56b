package training

import (
	"math"

	"vertumna/core/given"
	"vertumna/core/num"
)

// Tiers asks how a central leader is stacked. Lengths in cm, the angle from the vertical.
type Tiers struct {
	Bounds
	Vigour        string   `json:"vigour_class" in:"very-dwarfing|dwarfing|semi-dwarfing|semi-vigorous|vigorous = semi-dwarfing"`
	FirstHeightCM float64  `json:"first_height_cm" in:"[30,150] = 50"`
	HalfWidthCM   float64  `json:"half_width_cm" in:"[20,600]"`
	AngleDeg      float64  `json:"angle_deg" in:"[20,90] = 55"`
	TierSpacingCM *float64 `json:"tier_spacing_cm" in:"? [30,200]"`
}

// Tier is one storey: where it starts, how far it reaches, how long its limbs are, how high their tips stand.
type Tier struct {
	HeightCM    float64 `json:"height_cm"`
	ReachOutCM  float64 `json:"reach_out_cm"`
	LengthCM    float64 `json:"length_cm"`
	TipHeightCM float64 `json:"tip_height_cm"`
}

// Stack is the answer.
type Stack struct {
	CapCM     float64  `json:"cap_cm"`
	Binding   string   `json:"binding"`
	SpacingCM float64  `json:"spacing_cm"`
	Tiers     []Tier   `json:"tiers"`
	Warnings  []string `json:"warnings"`
}

var tierSpacing = map[string]float64{"very-dwarfing": 60, "dwarfing": 60, "semi-dwarfing": 80, "semi-vigorous": 100, "vigorous": 120}

const (
	underCapCM = 40  // a tier starts no nearer to the cap
	shorter    = 0.8 // of the one below: else the top shades and outgrows the base
)

// StackTiers is the storeys of a central leader under its cap, `tiers`: a cone with its point there, each shorter than the one
// below. Errors: given.Faults.
func StackTiers(in Tiers) (Stack, error) {
	fs := given.Check(in)
	in.check(&fs)
	if err := fs.Err(); err != nil {
		return Stack{}, err
	}
	c := in.capped()
	out := Stack{CapCM: c.CapCM, Binding: c.Binding, SpacingCM: given.Or(in.TierSpacingCM, tierSpacing[in.Vigour]), Tiers: []Tier{}, Warnings: []string{}}
	if c.CapCM < in.FirstHeightCM+underCapCM-num.Slack {
		fs.Add(given.Conflict, "first_height_cm", num.Text(in.FirstHeightCM), "at most "+num.Text(c.CapCM-underCapCM)+": 40 under the cap of "+num.Text(c.CapCM))
		return Stack{}, fs
	}
	th := num.Rad(in.AngleDeg)
	for i := 0; ; i++ {
		h := in.FirstHeightCM + float64(i)*out.SpacingCM
		if h > c.CapCM-underCapCM+num.Slack {
			break
		}
		r := in.HalfWidthCM * (c.CapCM - h) / (c.CapCM - in.FirstHeightCM)
		if i > 0 {
			r = math.Min(r, shorter*out.Tiers[i-1].ReachOutCM)
		}
		up := 0.0
		if in.AngleDeg < 90 {
			r = math.Min(r, (c.CapCM-h)*math.Tan(th))
			up = r / math.Tan(th)
		}
		out.Tiers = append(out.Tiers, Tier{h, r, r / math.Sin(th), h + up})
	}
	if len(out.Tiers) == 1 {
		out.Warnings = append(out.Warnings, WOneTier)
	}
	return out, nil
}
