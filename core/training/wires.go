package training

import (
	"cmp"
	"math"
	"slices"

	"vertumna/core/given"
	"vertumna/core/num"
	"vertumna/core/pomology"
)

// WireLayout asks for the wires of a run. Lengths in cm.
type WireLayout struct {
	RunCM       float64   `json:"run_cm" in:"[50,10000]"`
	TopLimitCM  float64   `json:"top_limit_cm" in:"[40,400]"` // a sill, or reach
	FirstCM     float64   `json:"first_cm" in:"[20,200] = 40"`
	StepCM      float64   `json:"step_cm" in:"[15,100] = 30"`
	ClearanceCM float64   `json:"clearance_cm" in:"[0,60] = 15"` // for the upright shoots
	HeightsCM   []float64 `json:"heights_cm" in:"? list 1 [15,400]"`
	Support     string    `json:"support" in:"wall|posts = wall"`
	WireOffCM   float64   `json:"wire_off_cm" in:"[3,40] = 12"`
	TrunkOffCM  float64   `json:"trunk_off_cm" in:"[10,60] = 25"`
}

// Wires is the answer: where they run and what they hang on.
type Wires struct {
	HeightsCM    []float64 `json:"heights_cm"`
	Wires        int       `json:"wires"`
	Supports     int       `json:"supports"`
	SpanCM       float64   `json:"span_cm"`
	WireM        float64   `json:"wire_m"`
	Fixings      int       `json:"fixings"`
	Tensioners   int       `json:"tensioners"`
	Braces       int       `json:"braces"`
	PostDepthCM  *float64  `json:"post_depth_cm"`
	PostLengthCM *float64  `json:"post_length_cm"`
	TrunkLeanDeg float64   `json:"trunk_lean_deg"`
}

const (
	wallSpanCM  = 180
	postSpanCM  = 300
	wrapCM      = 100 // both ends of a wire
	wireSpare   = 1.05
	postOverCM  = 10
	leastPostCM = 60
	postDepth   = 0.4
)

// LayWires sets the wires of a run, `wire_layout`. Errors: given.Faults.
func LayWires(in WireLayout) (Wires, error) {
	fs := given.Check(in)
	heights := in.HeightsCM
	top := in.TopLimitCM - in.ClearanceCM
	if len(fs) == 0 {
		if heights == nil {
			for h := in.FirstCM; h <= top+num.Slack; h += in.StepCM {
				heights = append(heights, h)
			}
			if len(heights) == 0 {
				fs.Add(given.Conflict, "top_limit_cm", num.Text(in.TopLimitCM), "at least "+num.Text(in.FirstCM+in.ClearanceCM)+": the first wire and the shoots on it")
			}
		} else if !rising(heights) || heights[len(heights)-1] > top+num.Slack {
			fs.Add(given.Conflict, "heights_cm", num.Text(heights[len(heights)-1]), "rising heights up to "+num.Text(top))
		}
	}
	if err := fs.Err(); err != nil {
		return Wires{}, err
	}
	most := float64(wallSpanCM)
	if in.Support == "posts" {
		most = postSpanCM
	}
	n := len(heights)
	out := Wires{HeightsCM: heights, Wires: n, Supports: int(num.Ceil(in.RunCM/most)) + 1, WireM: wireSpare * float64(n) * (in.RunCM + wrapCM) / 100, Tensioners: n}
	out.SpanCM = in.RunCM / float64(out.Supports-1)
	out.Fixings = n * out.Supports
	if in.Support == "posts" {
		over := heights[n-1] + postOverCM
		depth := math.Max(leastPostCM, postDepth*over)
		length := depth + over
		out.Braces, out.PostDepthCM, out.PostLengthCM = 2, &depth, &length
	} else {
		out.TrunkLeanDeg = num.Deg(math.Atan((in.TrunkOffCM - in.WireOffCM) / heights[0]))
	}
	return out, nil
}

func rising(x []float64) bool {
	for i := 1; i < len(x); i++ {
		if x[i] <= x[i-1] {
			return false
		}
	}
	return true
}

// ArmCandidate is a shoot that could be laid along a wire.
type ArmCandidate struct {
	ID         string  `json:"id" in:"id"`
	HeightCM   float64 `json:"height_cm" in:"[0,400]"`
	AzimuthDeg float64 `json:"azimuth_deg" in:"[0,360]"`
	AngleDeg   float64 `json:"angle_deg" in:"[0,180]"`
	LengthCM   float64 `json:"length_cm" in:"(0,2000]"`
	DiameterMM float64 `json:"diameter_mm" in:"(0,1500]"`
	Fault      string  `json:"fault" in:"none|slight|bad = none"`
	Keep       bool    `json:"keep" in:"= false"` // its owner wants it for an arm: before any other that would do
}

// WireArms asks which shoots are laid on which wire. AlongDeg is the direction of the wire's side a.
type WireArms struct {
	Species    string         `json:"species"`
	WiresCM    []float64      `json:"wires_cm" in:"list 1 [15,400]"`
	AlongDeg   float64        `json:"along_deg" in:"[0,360]"`
	InGrowth   bool           `json:"in_growth" in:"= false"`
	Candidates []ArmCandidate `json:"candidates" in:"list 1"`
}

// WirePair is what a wire gets; BudAtCM is where a bud is woken for a side that lacks an arm.
type WirePair struct {
	WireCM  float64  `json:"wire_cm"`
	A       *string  `json:"a"`
	B       *string  `json:"b"`
	Cost    *float64 `json:"cost"`
	Missing []string `json:"missing"`
	BudAtCM *float64 `json:"bud_at_cm"`
}

// Arms is the answer. Ties come before cuts: the stiffest first, a spare only when both hold.
type Arms struct {
	Wires       []WirePair `json:"wires"`
	TieOrder    []string   `json:"tie_order"`
	TwoStages   []string   `json:"two_stages"`
	Spare       []string   `json:"spare"`
	OffPlane    []string   `json:"off_plane"`
	LeaderCutCM *float64   `json:"leader_cut_cm"`
}

const (
	offPlaneDeg  = 60
	armUnderCM   = 15 // how far under its wire an arm may start
	armBestCM    = 6
	armStiff     = 2
	bowCM        = 40
	leaderOnCM   = 3.0 // one bud above the pair carries the leader on
	levelDeg     = 90
	goodHeightCM = 9
	wantedArm    = 1000 // more than all else together
)

type arm struct {
	ArmCandidate
	dev, stiff float64
	side       int
}

func (a arm) penalty(wire float64) float64 {
	p := 2*math.Abs(wire-a.HeightCM-armBestCM)/goodHeightCM + 3*a.dev/offPlaneDeg + a.stiff
	if a.Fault == "slight" {
		p += 2
	}
	if a.Keep {
		p -= wantedArm
	}
	return p
}

// ChooseArms chooses a pair for each wire from low to high, `wire_arms`. Errors: given.Faults. Cost: wires times the candidates
// of both sides.
func ChooseArms(in WireArms) (Arms, error) {
	fs := given.Check(in)
	k := pomology.Named(&fs, in.Species)
	if len(fs) == 0 && !rising(in.WiresCM) {
		fs.Add(given.Conflict, "wires_cm", num.Text(in.WiresCM[len(in.WiresCM)-1]), "rising heights")
	}
	if err := fs.Err(); err != nil {
		return Arms{}, err
	}
	out := Arms{Wires: []WirePair{}, TieOrder: []string{}, TwoStages: []string{}, Spare: []string{}, OffPlane: []string{}}
	var plane []arm
	for _, c := range in.Candidates {
		a := arm{ArmCandidate: c, dev: num.Apart(c.AzimuthDeg, in.AlongDeg)}
		if other := num.Apart(c.AzimuthDeg, in.AlongDeg+180); other < a.dev-num.Slack {
			a.dev, a.side = other, 1
		}
		if a.dev > offPlaneDeg+num.Slack {
			out.OffPlane = append(out.OffPlane, c.ID)
			continue
		}
		need := num.Rad(math.Max(0, levelDeg-c.AngleDeg))
		a.stiff = c.DiameterMM / 20 * need / math.Min(0.5*c.LengthCM, bowCM) / StrainLimit(k, c.DiameterMM, in.InGrowth)
		plane = append(plane, a)
	}
	used := map[string]bool{}
	var tied []arm
	topPair, topWire := math.NaN(), false
	for i, wire := range in.WiresCM {
		var sides [2][]arm
		for _, a := range plane {
			v := wire - a.HeightCM
			if !used[a.ID] && a.Fault != "bad" && v >= -num.Slack && v <= armUnderCM+num.Slack && a.LengthCM >= v+armUnderCM-num.Slack && a.stiff <= armStiff+num.Slack {
				sides[a.side] = append(sides[a.side], a)
			}
		}
		p := WirePair{WireCM: wire, Missing: []string{}}
		got := bestArms(sides, wire)
		cost := 0.0
		for side, name := range []string{"a", "b"} {
			if got[side] == nil {
				p.Missing = append(p.Missing, name)
				at := wire - armBestCM
				p.BudAtCM = &at
				continue
			}
			used[got[side].ID] = true
			tied = append(tied, *got[side])
			if side == 0 {
				p.A = &got[side].ID
			} else {
				p.B = &got[side].ID
			}
			cost += got[side].penalty(wire)
		}
		if len(p.Missing) == 0 {
			cost += between2(*got[0], *got[1])
			topPair, topWire = math.Max(got[0].HeightCM, got[1].HeightCM), i == len(in.WiresCM)-1
		}
		if len(p.Missing) < 2 {
			p.Cost = &cost
		}
		out.Wires = append(out.Wires, p)
	}
	out.tell(plane, tied, used)
	if !math.IsNaN(topPair) {
		at := topPair + leaderOnCM
		if topWire {
			at = topPair + aboveBudCM
		}
		out.LeaderCutCM = &at
	}
	return out, nil
}

func between2(a, b arm) float64 {
	return 4*math.Abs(a.DiameterMM-b.DiameterMM)/math.Max(a.DiameterMM, b.DiameterMM) + 2*math.Abs(a.HeightCM-b.HeightCM)/armUnderCM
}

// bestArms is the cheapest pair; with one side empty the cheapest of the other alone.
func bestArms(sides [2][]arm, wire float64) (got [2]*arm) {
	least := math.Inf(1)
	switch {
	case len(sides[0]) > 0 && len(sides[1]) > 0:
		for i := range sides[0] {
			for j := range sides[1] {
				a, b := &sides[0][i], &sides[1][j]
				if cost := a.penalty(wire) + b.penalty(wire) + between2(*a, *b); cost < least-num.Slack {
					got, least = [2]*arm{a, b}, cost
				}
			}
		}
	default:
		for side := range sides {
			for i := range sides[side] {
				if cost := sides[side][i].penalty(wire); cost < least-num.Slack {
					got, least = [2]*arm{}, cost
					got[side] = &sides[side][i]
				}
			}
		}
	}
	return got
}

func (out *Arms) tell(plane, tied []arm, used map[string]bool) {
	slices.SortStableFunc(tied, func(a, b arm) int {
		if math.Abs(a.stiff-b.stiff) <= num.Slack {
			return 0
		}
		return cmp.Compare(b.stiff, a.stiff)
	})
	for _, a := range tied {
		out.TieOrder = append(out.TieOrder, a.ID)
		if a.stiff > 1+num.Slack {
			out.TwoStages = append(out.TwoStages, a.ID)
		}
	}
	for _, a := range plane {
		if !used[a.ID] {
			out.Spare = append(out.Spare, a.ID)
		}
	}
}

// ArmLaying asks how much of an arm lies on its wire.
type ArmLaying struct {
	LengthCM  float64  `json:"length_cm" in:"(0,2000]"`
	GoalCM    float64  `json:"goal_cm" in:"[20,600]"`
	YearlyCM  float64  `json:"yearly_cm" in:"[1,300]"`
	PartnerCM *float64 `json:"partner_cm" in:"? (0,2000]"`
}

// Laying is the answer. State is rise, lay_base or finish; Balance alone, even, lower_this or raise_this.
type Laying struct {
	State            string  `json:"state"`
	LayCM            float64 `json:"lay_cm"`
	RisingCM         float64 `json:"rising_cm"`
	SeasonsToLayBase int     `json:"seasons_to_lay_base"`
	SeasonsToFinish  int     `json:"seasons_to_finish"`
	Ties             int     `json:"ties"`
	Shoots           int     `json:"shoots"`
	Balance          string  `json:"balance"`
}

const (
	layFrom      = 0.6 // of the goal
	risingTipCM  = 30
	tieEveryCM   = 25
	shootApartCM = 12.5
	unequalArms  = 1.2
)

// LayArm is how much of an arm is laid this winter, `arm_laying`: what rises grows. Errors: given.Faults.
func LayArm(in ArmLaying) (Laying, error) {
	if err := given.Check(in).Err(); err != nil {
		return Laying{}, err
	}
	seasons := func(to float64) int { return int(math.Max(0, num.Ceil((to-in.LengthCM)/in.YearlyCM))) }
	out := Laying{State: "rise", Balance: "alone", SeasonsToLayBase: seasons(layFrom * in.GoalCM), SeasonsToFinish: seasons(in.GoalCM)}
	switch {
	case in.LengthCM >= in.GoalCM-num.Slack:
		out.State, out.LayCM = "finish", in.GoalCM
	case in.LengthCM >= layFrom*in.GoalCM-num.Slack:
		out.State, out.LayCM = "lay_base", math.Max(0, in.LengthCM-risingTipCM)
	}
	if out.State != "finish" {
		out.RisingCM = in.LengthCM - out.LayCM
	}
	out.Ties = int(num.Ceil(math.Min(in.LengthCM, in.GoalCM) / tieEveryCM))
	out.Shoots = int(num.Floor(out.LayCM / shootApartCM))
	if in.PartnerCM != nil {
		switch p := *in.PartnerCM; {
		case in.LengthCM > unequalArms*p+num.Slack:
			out.Balance = "lower_this"
		case p > unequalArms*in.LengthCM+num.Slack:
			out.Balance = "raise_this"
		default:
			out.Balance = "even"
		}
	}
	return out, nil
}

// FlatPlan asks when a tree on wires is full.
type FlatPlan struct {
	Wires       int     `json:"wires" in:"[1,12]"`
	GoalCM      float64 `json:"goal_cm" in:"[20,600]"`
	YearlyCM    float64 `json:"yearly_cm" in:"[1,300]"`
	TiersAYear  int     `json:"tiers_a_year" in:"[1,3] = 1"`
	GrowthRatio float64 `json:"growth_ratio" in:"[0.2,3] = 1"`
}

// FlatTier are the seasons in which a tier is formed, has its base laid, and is full.
type FlatTier struct {
	Formed   int `json:"formed"`
	BaseLaid int `json:"base_laid"`
	Full     int `json:"full"`
}

// FlatYears is the answer.
type FlatYears struct {
	Tiers    []FlatTier `json:"tiers"`
	YearFull int        `json:"year_full"`
	Ties     int        `json:"ties"`
	Shoots   int        `json:"shoots"`
}

// PlanFlat is the years of a tree on wires, `flat_plan`. Errors: given.Faults.
func PlanFlat(in FlatPlan) (FlatYears, error) {
	if err := given.Check(in).Err(); err != nil {
		return FlatYears{}, err
	}
	y := in.YearlyCM * in.GrowthRatio
	out := FlatYears{Tiers: []FlatTier{}}
	for i := range in.Wires {
		s := i/in.TiersAYear + 1
		t := FlatTier{s, s + int(num.Ceil(layFrom*in.GoalCM/y)) - 1, s + int(num.Ceil(in.GoalCM/y)) - 1}
		out.Tiers = append(out.Tiers, t)
		out.YearFull = max(out.YearFull, t.Full)
	}
	out.Ties = 2*int(num.Ceil(in.GoalCM/tieEveryCM))*in.Wires + in.Wires
	out.Shoots = 2 * int(num.Floor(in.GoalCM/shootApartCM)) * in.Wires
	return out, nil
}

// StepOver asks how a whip becomes a knee-high arm.
type StepOver struct {
	Species    string  `json:"species"`
	WireCM     float64 `json:"wire_cm" in:"[20,80] = 40"`
	DiameterMM float64 `json:"diameter_mm" in:"[2,60]"`
	HeightCM   float64 `json:"height_cm" in:"(0,2000]"`
	InGrowth   bool    `json:"in_growth" in:"= false"`
}

// KneeHigh is the answer. Method is leave, bend or two_arms.
type KneeHigh struct {
	LeastRadiusCM float64  `json:"least_radius_cm"`
	Method        string   `json:"method"`
	BendFromCM    *float64 `json:"bend_from_cm"`
	CutCM         *float64 `json:"cut_cm"`
}

const overWireCM = 10

// BendOver bends a whip along its wire where the wood allows, `step_over`. Errors: given.Faults.
func BendOver(in StepOver) (KneeHigh, error) {
	fs := given.Check(in)
	k := pomology.Named(&fs, in.Species)
	if err := fs.Err(); err != nil {
		return KneeHigh{}, err
	}
	out := KneeHigh{LeastRadiusCM: in.DiameterMM / 20 / StrainLimit(k, in.DiameterMM, in.InGrowth)}
	switch {
	case in.HeightCM < in.WireCM+overWireCM:
		out.Method = "leave"
	case out.LeastRadiusCM <= in.WireCM-overWireCM+num.Slack:
		from := in.WireCM - out.LeastRadiusCM
		out.Method, out.BendFromCM = "bend", &from
	default:
		out.Method, out.CutCM = "two_arms", &in.WireCM
	}
	return out, nil
}

// Fan asks for the ribs of a fan.
type Fan struct {
	RibCM          float64 `json:"rib_cm" in:"[40,500]"`
	LowDeg         float64 `json:"low_deg" in:"[45,90] = 80"`
	SteepDeg       float64 `json:"steep_deg" in:"[5,60] = 20"`
	EndSpacingCM   float64 `json:"end_spacing_cm" in:"[10,80] = 30"`
	MostASide      int     `json:"most_a_side" in:"[1,12] = 6"`
	ShootSpacingCM float64 `json:"shoot_spacing_cm" in:"[8,25] = 12.5"`
}

// Ribs is the answer; the middle stays open.
type Ribs struct {
	Ribs           int       `json:"ribs"`
	AnglesDeg      []float64 `json:"angles_deg"`
	ShootsARib     int       `json:"shoots_a_rib"`
	RenewRibsAYear int       `json:"renew_ribs_a_year"`
	Shoots         int       `json:"shoots"`
}

// SpreadFan sets the ribs of a fan, `fan`. Errors: given.Faults.
func SpreadFan(in Fan) (Ribs, error) {
	fs := given.Check(in)
	if len(fs) == 0 && in.SteepDeg >= in.LowDeg {
		fs.Add(given.Conflict, "steep_deg", num.Text(in.SteepDeg), "less than "+num.Text(in.LowDeg))
	}
	if err := fs.Err(); err != nil {
		return Ribs{}, err
	}
	side := min(in.MostASide, int(num.Floor(in.RibCM*num.Rad(in.LowDeg-in.SteepDeg)/in.EndSpacingCM))+1)
	out := Ribs{Ribs: 2 * side, AnglesDeg: make([]float64, side), ShootsARib: int(num.Floor(in.RibCM / in.ShootSpacingCM))}
	for i := range side {
		out.AnglesDeg[i] = in.LowDeg
		if side > 1 {
			out.AnglesDeg[i] -= (in.LowDeg - in.SteepDeg) * float64(i) / float64(side-1)
		}
	}
	out.RenewRibsAYear = int(num.Ceil(float64(out.Ribs) / CycleYears))
	out.Shoots = out.Ribs * out.ShootsARib
	return out, nil
}
