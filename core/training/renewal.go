package training

import (
	"cmp"
	"fmt"
	"math"
	"slices"

	"vertumna/core/given"
	"vertumna/core/num"
)

// Renewal asks which bearing units of a scaffold are renewed this year.
type Renewal struct {
	ScaffoldD2MM2 float64  `json:"scaffold_d2_mm2" in:"(0,100000000]"`
	Units         []Unit   `json:"units" in:"list 1"`
	CycleYears    *int     `json:"cycle_years,omitempty" in:"? [2,12]"` // absent: 3
	SideLimit     *float64 `json:"side_limit,omitempty" in:"? [0.3,1]"` // absent: a half
	LimitShare    *float64 `json:"limit_share,omitempty" in:"? [0,1]"`  // absent: a fifth
	UsedShare     float64  `json:"used_share,omitempty" in:"[0,1] = 0"`
	BigCuts       *int     `json:"big_cuts,omitempty" in:"? [0,20]"` // absent: 3
	RenewByAge    *bool    `json:"renew_by_age,omitempty" in:"?"`
}

// Unit is a bearing limb of a scaffold.
type Unit struct {
	ID         string   `json:"id" in:"id"`
	DiameterMM float64  `json:"diameter_mm" in:"(0,1500]"`
	CarrierMM  *float64 `json:"carrier_mm,omitempty" in:"? (0,1500]"`
	AgeYears   int      `json:"age_years" in:"[1,100]"`
	Successor  bool     `json:"successor,omitempty" in:"= false"`
	Locked     bool     `json:"locked,omitempty" in:"= false"`
	Waits      bool     `json:"-"` // first a shoot must grow near its base
	Follower   string   `json:"-"` // who takes over, of a map
}

// RenewalCut is a unit that goes: why, its share, and the stub a thinner shoot will come from; 0 with a successor.
type RenewalCut struct {
	ID     string  `json:"id"`
	Why    string  `json:"why"`
	Share  float64 `json:"share"`
	StubMM float64 `json:"stub_mm"`
}

// RenewalLeft is a unit that was due and stays, with the reason.
type RenewalLeft struct {
	ID     string `json:"id"`
	Reason string `json:"reason"`
	Due    string `json:"due"`
}

// RenewalPlan is the answer.
type RenewalPlan struct {
	Cuts  []RenewalCut  `json:"cuts"`
	Left  []RenewalLeft `json:"left"`
	Share float64       `json:"share"`
	Room  float64       `json:"room"`
}

// Why a unit goes: it is over half its carrier's thickness, or its years are over. CycleYears is how long a unit usually stays.
const (
	OverHalf   = "over_half"
	OfCycle    = "cycle"
	CycleYears = 3
)

// Cycle is how many years a unit stays.
func (in Renewal) Cycle() int { return orInt(in.CycleYears, CycleYears) }

// PlanRenewal chooses the units that go: those too thick for their carrier first, then the oldest, a part each year. Errors:
// given.Faults.
func PlanRenewal(in Renewal) (RenewalPlan, error) {
	if err := in.check(); err != nil {
		return RenewalPlan{}, err
	}
	room := given.Or(in.LimitShare, 0.2) - in.UsedShare
	r := renewing{in: in, room: room, out: RenewalPlan{Cuts: []RenewalCut{}, Left: []RenewalLeft{}}, due: map[string]bool{}}
	limit := given.Or(in.SideLimit, 0.5)
	ratio := func(u Unit) float64 {
		if u.CarrierMM == nil {
			return 0
		}
		return u.DiameterMM / *u.CarrierMM
	}
	var thick, old []Unit
	cycle := in.Cycle()
	for _, u := range in.Units {
		if ratio(u) > limit+num.Slack {
			thick = append(thick, u)
		} else if u.AgeYears >= cycle {
			old = append(old, u)
		}
	}
	slices.SortStableFunc(thick, func(a, b Unit) int { return cmp.Compare(ratio(b), ratio(a)) })
	slices.SortStableFunc(old, func(a, b Unit) int {
		return cmp.Or(cmp.Compare(b.AgeYears, a.AgeYears), cmp.Compare(b.DiameterMM, a.DiameterMM))
	})
	r.take(thick, OverHalf, orInt(in.BigCuts, 3))
	if in.RenewByAge == nil || *in.RenewByAge {
		r.take(old, OfCycle, int(num.Ceil(float64(len(in.Units))/float64(cycle))))
	}
	r.out.Room = math.Max(0, r.room)
	return r.out, nil
}

// renewing is a plan in the making.
type renewing struct {
	in   Renewal
	room float64
	out  RenewalPlan
	due  map[string]bool
}

func (r *renewing) take(units []Unit, why string, most int) {
	for _, u := range units {
		share := u.DiameterMM * u.DiameterMM / r.in.ScaffoldD2MM2
		reason := ""
		switch {
		case u.Locked:
			reason = "locked"
		case u.Waits:
			reason = "successor"
		case len(r.out.Cuts) >= most:
			reason = "count"
		case share > r.room+num.Slack:
			reason = "limit"
		}
		if reason != "" {
			r.out.Left = append(r.out.Left, RenewalLeft{u.ID, reason, why})
			continue
		}
		stub := 0.0
		if !u.Successor {
			stub = num.Clamp(num.Round(0.6*u.DiameterMM), 12, 20)
		}
		r.out.Cuts = append(r.out.Cuts, RenewalCut{u.ID, why, share, stub})
		r.out.Share += share
		r.room -= share
	}
}

func orInt(v *int, other int) int {
	if v == nil {
		return other
	}
	return *v
}

func (in Renewal) check() error {
	fs := given.Check(in)
	if len(fs) > 0 {
		return fs
	}
	for i, u := range in.Units {
		if u.CarrierMM != nil && u.DiameterMM > *u.CarrierMM {
			fs.Add(given.Conflict, fmt.Sprintf("units[%d].diameter_mm", i), fmt.Sprintf("%g", u.DiameterMM), fmt.Sprintf("at most its carrier's %g", *u.CarrierMM))
		}
	}
	return fs.Err()
}
