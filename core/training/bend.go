package training

import (
	"cmp"
	"fmt"
	"math"
	"slices"

	"vertumna/core/given"
	"vertumna/core/num"
	"vertumna/core/pomology"
)

// EqualLimb is a limb among its fellows.
type EqualLimb struct {
	ID         string  `json:"id" in:"id"`
	DiameterMM float64 `json:"diameter_mm" in:"(0,1500]"`
	LengthCM   float64 `json:"length_cm" in:"(0,2000]"`
}

// Equalise asks which limbs run away from their fellows.
type Equalise struct {
	Limbs       []EqualLimb `json:"limbs" in:"list 2"`
	StrongRatio float64     `json:"strong_ratio" in:"[1.05,3] = 1.3"`
	MostShare   float64     `json:"most_share" in:"[0.05,0.8] = 0.4"`
}

// Shorten is a limb that is cut back before any is bent, and to what length.
type Shorten struct {
	ID       string  `json:"id"`
	Ratio    float64 `json:"ratio"`
	CutShare float64 `json:"cut_share"`
	ToCM     float64 `json:"to_cm"`
}

// Equalised is the answer: even, or shorten_first, the strongest first.
type Equalised struct {
	Verdict string    `json:"verdict"`
	Shorten []Shorten `json:"shorten"`
}

// evenedTo is what a shortened limb keeps over its fellows.
const evenedTo = 1.15

// EqualiseLimbs shortens the limbs that outgrow the rest, `equalise`: sap runs to the strongest, and bending all alike leaves
// the strong one strong. Leaf goes with d^2 (pipe model, Shinozaki et al. 1964). Errors: given.Faults.
func EqualiseLimbs(in Equalise) (Equalised, error) {
	if err := given.Check(in).Err(); err != nil {
		return Equalised{}, err
	}
	d := make([]float64, len(in.Limbs))
	for i, l := range in.Limbs {
		d[i] = l.DiameterMM
	}
	slices.Sort(d)
	median := d[(len(d)-1)/2]
	out := Equalised{Verdict: "even", Shorten: []Shorten{}}
	for _, l := range in.Limbs {
		ratio := l.DiameterMM / median
		if ratio > in.StrongRatio+num.Slack {
			share := num.Clamp(1-math.Pow(evenedTo/ratio, 2), 0, in.MostShare)
			out.Verdict = "shorten_first"
			out.Shorten = append(out.Shorten, Shorten{l.ID, ratio, share, l.LengthCM * (1 - share)})
		}
	}
	slices.SortStableFunc(out.Shorten, func(a, b Shorten) int { return cmp.Compare(b.Ratio, a.Ratio) })
	return out, nil
}

// LimbAim asks at which angle a limb should stand.
type LimbAim struct {
	Species  string  `json:"species"`
	School   string  `json:"school" in:"species|steep|flat = species"`
	AngleDeg float64 `json:"angle_deg" in:"[0,180]"`
}

// Aim is the answer: lower, raise or leave, and by how much.
type Aim struct {
	AimDeg    float64 `json:"aim_deg"`
	LowDeg    float64 `json:"low_deg"`
	HighDeg   float64 `json:"high_deg"`
	Verdict   string  `json:"verdict"`
	ChangeDeg float64 `json:"change_deg"`
}

// aims of the schools; that of the kind takes the angle of its row. Over tooFlat degrees past the range a limb is raised.
var aims = map[string]Aim{"species": {LowDeg: 45, HighDeg: 60}, "steep": {AimDeg: 32.5, LowDeg: 30, HighDeg: 35}, "flat": {AimDeg: 65, LowDeg: 60, HighDeg: 70}}

const tooFlat = 15

// AimOf is the angle a limb should stand at, `limb_aim`: where those of strength and those of fruit meet. Errors: given.Faults.
func AimOf(in LimbAim) (Aim, error) {
	fs := given.Check(in)
	k := pomology.Named(&fs, in.Species)
	if err := fs.Err(); err != nil {
		return Aim{}, err
	}
	out := aims[in.School]
	if in.School == "species" {
		out.AimDeg = k.Bending.AimDeg
	}
	switch {
	case in.AngleDeg < out.LowDeg:
		out.Verdict = "lower"
	case in.AngleDeg > out.HighDeg+tooFlat:
		out.Verdict = "raise"
	default:
		out.Verdict = "leave"
		return out, nil
	}
	out.ChangeDeg = out.AimDeg - in.AngleDeg
	return out, nil
}

// BendDevice asks what a limb is bent with.
type BendDevice struct {
	DiameterMM float64  `json:"diameter_mm" in:"(0,1500]"`
	LengthCM   float64  `json:"length_cm" in:"(0,2000]"`
	ChangeDeg  float64  `json:"change_deg" in:"[-180,180]"`
	AirC       *float64 `json:"air_c" in:"? [-60,60]"`
	PegRoom    bool     `json:"peg_room" in:"= true"`
}

// Device is the answer, with the reason in a word.
type Device struct {
	Device string `json:"device"`
	Why    string `json:"why"`
}

// BrittleC is the air below which wood is not bent, Celsius (est.).
const BrittleC = -4.0

// TooThickMM is what is not bent any more, mm (est.).
const TooThickMM = 40

// DeviceFor chooses by thickness and length, `bend_device`; sizes are workshop practice (est.). Errors: given.Faults.
func DeviceFor(in BendDevice) (Device, error) {
	if err := given.Check(in).Err(); err != nil {
		return Device{}, err
	}
	d, l := in.DiameterMM, in.LengthCM
	switch {
	case math.Abs(in.ChangeDeg) < 5:
		return Device{"none", "small"}, nil
	case in.AirC != nil && *in.AirC < BrittleC:
		return Device{"wait", "frost"}, nil
	case in.ChangeDeg < 0:
		return Device{"tie_up", "too_flat"}, nil
	case d > TooThickMM:
		return Device{"none", "too_thick"}, nil
	case d <= 6 && l <= 25:
		return Device{"clothespin", "soft"}, nil
	case d <= 12 && l < 60:
		return Device{"notched_stick", "thin"}, nil
	case d <= 12:
		return Device{"weight", "thin"}, nil
	case d <= 25 && l >= 40:
		return Device{"spreader", "woody"}, nil
	case d <= 25:
		return Device{"notched_stick", "woody"}, nil
	case in.PegRoom:
		return Device{"peg_tie", "thick"}, nil
	}
	return Device{"spreader", "thick"}, nil
}

// Spreader asks how long a stick is that holds a limb off its trunk.
type Spreader struct {
	TrunkContactCM float64 `json:"trunk_contact_cm" in:"[2,300]"` // along the trunk above the crotch
	LimbContactCM  float64 `json:"limb_contact_cm" in:"[2,300]"`
	LimbAngleDeg   float64 `json:"limb_angle_deg" in:"[0,180]"`
	TrunkLeanDeg   float64 `json:"trunk_lean_deg" in:"[-45,45] = 0"` // toward the limb positive
}

// Stick is the answer.
type Stick struct {
	LengthCM   float64  `json:"length_cm"`
	CutCM      float64  `json:"cut_cm"` // both points sink in
	PerCMDeg   float64  `json:"per_cm_deg"`
	AtLimbDeg  float64  `json:"at_limb_deg"`
	AtTrunkDeg float64  `json:"at_trunk_deg"`
	Warnings   []string `json:"warnings"`
}

const (
	leastOpenDeg, mostOpenDeg = 5, 150
	slipsDeg                  = 35
)

// SizeSpreader is the law of cosines over the two contacts, `spreader`. Errors: given.Faults.
func SizeSpreader(in Spreader) (Stick, error) {
	fs := given.Check(in)
	f := in.LimbAngleDeg - in.TrunkLeanDeg
	if len(fs) == 0 && (f < leastOpenDeg || f > mostOpenDeg) {
		fs.Add(given.Conflict, "limb_angle_deg", num.Text(in.LimbAngleDeg), "5 to 150 degrees from the trunk")
	}
	if err := fs.Err(); err != nil {
		return Stick{}, err
	}
	return span(in.TrunkContactCM, in.LimbContactCM, f), nil
}

// span is a stick between two pieces of wood that start at one place with an angle between them.
func span(a, b, openDeg float64) Stick {
	f := num.Rad(openDeg)
	l := math.Sqrt(a*a + b*b - 2*a*b*math.Cos(f))
	out := Stick{LengthCM: l, CutCM: num.Round(2*(l+1)) / 2, PerCMDeg: num.Deg(l / (a * b * math.Sin(f))), Warnings: []string{}}
	out.AtLimbDeg = num.Deg(math.Acos(num.Clamp((b*b+l*l-a*a)/(2*b*l), -1, 1)))
	out.AtTrunkDeg = 180 - openDeg - out.AtLimbDeg
	if out.AtLimbDeg < slipsDeg-num.Slack || out.AtTrunkDeg < slipsDeg-num.Slack {
		out.Warnings = append(out.Warnings, WSlips)
	}
	return out
}

// PegTie asks where a peg stands and how long its cord is.
type PegTie struct {
	AttachHeightCM float64  `json:"attach_height_cm" in:"[0,500]"`
	LimbContactCM  float64  `json:"limb_contact_cm" in:"[2,500]"`
	LimbAngleDeg   float64  `json:"limb_angle_deg" in:"[0,180]"` // as it shall stand
	PegDistanceCM  *float64 `json:"peg_distance_cm" in:"? [0,1000]"`
	FreeSpaceCM    *float64 `json:"free_space_cm" in:"? [0,1000]"`
	ForceN         *float64 `json:"force_n" in:"? [0,5000]"`
}

// Cord is the answer.
type Cord struct {
	PointOutCM    float64  `json:"point_out_cm"`
	PointHeightCM float64  `json:"point_height_cm"`
	IdealPegCM    float64  `json:"ideal_peg_cm"`
	PegCM         float64  `json:"peg_cm"`
	CordCM        float64  `json:"cord_cm"`
	CordCutCM     float64  `json:"cord_cut_cm"`
	PullShare     float64  `json:"pull_share"` // of the cord's pull, square to the limb
	TensionN      *float64 `json:"tension_n"`
	Warnings      []string `json:"warnings"`
}

const (
	knotsCM    = 40
	weakPull   = 0.6
	noPull     = 0.05
	stakeN     = 150
	lowPointCM = 5
)

// TiePeg is the peg and cord of a limb pulled down, `peg_tie`: best where the cord is square to the limb. Errors: given.Faults.
func TiePeg(in PegTie) (Cord, error) {
	fs := given.Check(in)
	if err := fs.Err(); err != nil {
		return Cord{}, err
	}
	if in.LimbAngleDeg < leastOpenDeg {
		fs.Add(given.Conflict, "limb_angle_deg", num.Text(in.LimbAngleDeg), "at least 5 degrees from upright")
		return Cord{}, fs
	}
	th := num.Rad(in.LimbAngleDeg)
	r, z := in.LimbContactCM*math.Sin(th), in.AttachHeightCM+in.LimbContactCM*math.Cos(th)
	if z < lowPointCM {
		fs.Add(given.Conflict, "limb_contact_cm", num.Text(in.LimbContactCM), "a place at least 5 above the ground")
		return Cord{}, fs
	}
	best := math.Max(0, r+z*math.Cos(th)/math.Sin(th))
	peg := best
	if in.PegDistanceCM != nil {
		peg = *in.PegDistanceCM
	} else if in.FreeSpaceCM != nil {
		peg = math.Min(best, *in.FreeSpaceCM)
	}
	cord := math.Hypot(peg-r, z)
	e := ((peg-r)*math.Cos(th) + z*math.Sin(th)) / cord
	if e <= noPull+num.Slack {
		fs.Add(given.Conflict, "peg_distance_cm", num.Text(peg), fmt.Sprintf("nearer to %.0f: from there the cord pulls along the limb, not across it", best))
		return Cord{}, fs
	}
	out := Cord{PointOutCM: r, PointHeightCM: z, IdealPegCM: best, PegCM: peg, CordCM: cord, CordCutCM: num.Ceil(cord + knotsCM), PullShare: e, Warnings: []string{}}
	if in.ForceN != nil {
		t := *in.ForceN / e
		out.TensionN = &t
		if t > stakeN+num.Slack {
			out.Warnings = append(out.Warnings, WPeg)
		}
	}
	if e < weakPull-num.Slack {
		out.Warnings = append(out.Warnings, WWeakPull)
	}
	return out, nil
}

// BendForce asks what it takes to bend a limb, and how far is safe.
type BendForce struct {
	Species       string   `json:"species"`
	LengthCM      float64  `json:"length_cm" in:"[10,1000]"`
	DiameterMM    float64  `json:"diameter_mm" in:"[2,100]"`
	TipDiameterMM *float64 `json:"tip_diameter_mm" in:"? [0.5,100]"`
	ContactCM     float64  `json:"contact_cm" in:"[5,1000]"`
	NowDeg        float64  `json:"now_deg" in:"[0,180]"`
	AimDeg        float64  `json:"aim_deg" in:"[5,175]"`
	InGrowth      bool     `json:"in_growth" in:"= false"`
}

// Bend is the answer. Stages is nil where it would take more than two: only the first is safe.
type Bend struct {
	ForceN        float64  `json:"force_n"`
	Strain        float64  `json:"strain"`
	StrainLimit   float64  `json:"strain_limit"`
	Stages        *int     `json:"stages"`
	FirstStageDeg float64  `json:"first_stage_deg"`
	WeeksBetween  int      `json:"weeks_between"`
	WeightKG      *float64 `json:"weight_kg"`
	FirstWeightKG *float64 `json:"first_weight_kg"`
	Warnings      []string `json:"warnings"`
}

// strainLimits by thickness, mm: about a third of what breaks green wood, which leaves its elastic range near 0.5 % and breaks
// at 2 to 3 % in old limbs, 4 to 6 % in young shoots (est.). dormantStrain is what of it holds without leaf.
var strainLimits = [][2]float64{{6, 0.035}, {12, 0.025}, {20, 0.016}, {35, 0.012}}

const (
	dormantStrain  = 2.0 / 3
	mostStages     = 2
	heavyKG        = 5
	simpsonPieces  = 64
	gravity        = 9.81
	weeksInGrowth  = 3
	weeksDormant   = 8
	leastAimWeight = 5
	mostBendDeg    = 90
	tipMM          = 5
)

// StrainLimit is what a limb of a kind and thickness (mm) takes in one bend, as a share of its length on the outside.
func StrainLimit(k *pomology.Kind, dMM float64, inGrowth bool) float64 {
	limit := num.Lerp(strainLimits, dMM) * k.Bending.StrainFactor
	if !inGrowth {
		limit *= dormantStrain
	}
	return limit
}

// ForceOf is the force, the strain and the stages of a bend, `bend_force`: a tapered cantilever pulled square at the contact.
// Errors: given.Faults. Cost: 64 pieces of the limb.
func ForceOf(in BendForce) (Bend, error) {
	fs := given.Check(in)
	k := pomology.Named(&fs, in.Species)
	tip := given.Or(in.TipDiameterMM, math.Min(tipMM, in.DiameterMM))
	if len(fs) == 0 {
		if in.ContactCM > in.LengthCM {
			fs.Add(given.Conflict, "contact_cm", num.Text(in.ContactCM), "at most the limb's length of "+num.Text(in.LengthCM))
		}
		if tip > in.DiameterMM {
			fs.Add(given.Conflict, "tip_diameter_mm", num.Text(tip), "at most the base's "+num.Text(in.DiameterMM))
		}
		if math.Abs(in.AimDeg-in.NowDeg) > mostBendDeg {
			fs.Add(given.Conflict, "aim_deg", num.Text(in.AimDeg), "at most 90 degrees from "+num.Text(in.NowDeg))
		}
	}
	if err := fs.Err(); err != nil {
		return Bend{}, err
	}
	l, b, d0, dt := in.LengthCM/100, in.ContactCM/100, in.DiameterMM/1000, tip/1000
	at := func(s float64) float64 { return d0*d0 + (dt*dt-d0*d0)*s/l } // d^2
	e := k.Crop.ModulusGPa * 1e9
	second := func(d2 float64) float64 { return math.Pi * d2 * d2 / 64 }
	c := 0.0
	for i := range simpsonPieces + 1 {
		s := b * float64(i) / simpsonPieces
		w := 2.0
		switch {
		case i == 0 || i == simpsonPieces:
			w = 1
		case i%2 == 1:
			w = 4
		}
		c += w * (b - s) * (b - s) / (e * second(at(s)))
	}
	c *= b / simpsonPieces / 3
	turn := num.Rad(in.AimDeg - in.NowDeg)
	f := math.Abs(turn) * b / c
	out := Bend{ForceN: f, Strain: f * b * (d0 / 2) / (e * second(d0*d0)), StrainLimit: StrainLimit(k, in.DiameterMM, in.InGrowth), WeeksBetween: weeksDormant, Warnings: []string{}}
	if in.InGrowth {
		out.WeeksBetween = weeksInGrowth
	}
	ratio := out.Strain / out.StrainLimit
	stages := 0
	if turn != 0 {
		stages = max(1, int(num.Ceil(ratio)))
	}
	if stages > mostStages {
		out.Warnings = append(out.Warnings, WTooStiff)
	} else {
		out.Stages = &stages
	}
	part := 1.0
	if ratio > 1 {
		part = 1 / ratio
	}
	out.FirstStageDeg = in.NowDeg + (in.AimDeg-in.NowDeg)*part
	if turn > 0 {
		kg := f / (gravity * math.Sin(num.Rad(in.AimDeg)))
		out.WeightKG = &kg
		if kg > heavyKG+num.Slack {
			out.Warnings = append(out.Warnings, WHeavy)
		}
		if out.FirstStageDeg >= leastAimWeight {
			first := f * part / (gravity * math.Sin(num.Rad(out.FirstStageDeg)))
			out.FirstWeightKG = &first
		}
	}
	slices.Sort(out.Warnings)
	return out, nil
}

// TieLoop asks how wide a loop is.
type TieLoop struct {
	DiameterMM     float64  `json:"diameter_mm" in:"(0,1500]"`
	SeasonGrowthMM *float64 `json:"season_growth_mm" in:"? [0,60]"`
	SeasonShare    float64  `json:"season_share" in:"[0,3]"` // of one growing season, until it comes off
	SlackMM        float64  `json:"slack_mm" in:"[3,60] = 10"`
	LoopInnerMM    *float64 `json:"loop_inner_mm" in:"? [1,2000]"` // of a loop that is on
}

// Loop is the answer; of a loop that is on, whether it is tight, soon or ok, and when it will be tight.
type Loop struct {
	GrowthMM     float64  `json:"growth_mm"`
	LoopInnerMM  float64  `json:"loop_inner_mm"`
	LoopAroundCM float64  `json:"loop_around_cm"`
	State        *string  `json:"state"`
	FreeMM       *float64 `json:"free_mm"`
	TightAtShare *float64 `json:"tight_at_share"`
}

const leastFreeMM = 3

// SizeLoop gives a loop room for the growth until it comes off, `tie_loop`. Errors: given.Faults.
func SizeLoop(in TieLoop) (Loop, error) {
	if err := given.Check(in).Err(); err != nil {
		return Loop{}, err
	}
	d := in.DiameterMM
	grows := given.Or(in.SeasonGrowthMM, thickens(d))
	inner := d + grows*in.SeasonShare + in.SlackMM
	out := Loop{GrowthMM: grows, LoopInnerMM: inner, LoopAroundCM: math.Pi * inner / 10}
	if in.LoopInnerMM == nil {
		return out, nil
	}
	free, state := *in.LoopInnerMM-d, "ok"
	out.FreeMM = &free
	if grows > 0 {
		at := math.Max(0, (free-leastFreeMM)/grows)
		out.TightAtShare = &at
	}
	switch {
	case free < leastFreeMM-num.Slack:
		state = "tight"
	case out.TightAtShare != nil && *out.TightAtShare < in.SeasonShare-num.Slack:
		state = "soon"
	}
	out.State = &state
	return out, nil
}
