package year

import (
	"math"

	"vertumna/core/almanac"
	"vertumna/core/pomology"
)

// Account is a tree's year of account, from its own leaf fall to the next: what was cut, against the limit. Shares
// compound: each cut takes its share of the crown as it then stands.
type Account struct {
	From, To  almanac.Day // NoDay when leaf fall is not reached
	Limit     float64     // of the crown at leaf fall
	Removed   float64     // one minus the product of what stayed
	Dormant   float64     // the part of Removed taken up to full bloom
	Summer    float64
	Free      int     // entries that do not count (dead, sick, suckers)
	Left      float64 // of the crown as it stands now, before the limit is reached
	Exempt    bool    // in formation, by school
	Estimated bool    // a share was worked out from diameters, or guessed
	Carried   []Reason
	entries   []Entry
}

// overShare is how far beyond the line nobody asks: a percent is within what the eye can tell (our estimate).
const overShare = 0.01

// Passed says whether work takes more than may still go: not what is free of the limit, nor of a tree that is exempt.
func (a *Account) Passed(e Entry) bool {
	return e.Kind == WorkEntry && !e.FreeOnly && !a.Exempt && e.Share > a.Left+overShare
}

// ShareOf is the share of the crown an entry took. From diameters it is the sum of their squares over that of the
// scaffolds, or over the trunk's when those are unknown (pipe model); estimated tells that it was.
func ShareOf(t *Tree, e Entry) (share float64, estimated bool) {
	if e.Share > 0 || len(e.CutMM) == 0 {
		return e.Share, false
	}
	sum, base := 0.0, t.TrunkMM*t.TrunkMM
	for _, d := range e.CutMM {
		sum += d * d
	}
	if len(t.ScaffoldsMM) > 0 {
		base = 0
		for _, d := range t.ScaffoldsMM {
			base += d * d
		}
	}
	if base == 0 {
		// nothing measured: a trunk of the kind's usual thickness for its spread, 40 mm a metre (ours)
		base = math.Pow(40*math.Max(1, t.SpreadM), 2)
	}
	return math.Min(1, sum/base), true
}

// accountFor adds up the cuts of a tree between its leaf falls.
func accountFor(t *Tree, a *Anchors, entries []Entry, school pomology.Resolved, age, season int) *Account {
	acc := &Account{
		From: a.Day(LeafFallBefore), To: a.Day(almanac.LeafFall.String()), Limit: school.LimitFor(t.Kind),
		Exempt: age <= formationYears && school.Is("formation_exempt", "to-year-3"),
	}
	bloom := a.Day(almanac.FullBloom.String())
	stays, staysDormant := 1.0, 1.0
	for _, e := range entries {
		if e.Kind != WorkEntry || !e.inAccount(acc, season) {
			continue
		}
		acc.entries = append(acc.entries, e)
		share, estimated := ShareOf(t, e)
		if share == 0 {
			continue
		}
		if e.FreeOnly && school.Is("counts", "free") {
			acc.Free++
			continue
		}
		acc.Estimated = acc.Estimated || estimated
		stays *= 1 - share
		if !bloom.Known() || e.Date <= bloom {
			staysDormant *= 1 - share
		}
	}
	acc.Removed, acc.Dormant = 1-stays, 1-staysDormant
	acc.Summer = acc.Removed - acc.Dormant
	acc.Left = 0
	if stays > 0 {
		acc.Left = math.Max(0, 1-(1-acc.Limit)/stays)
	}
	return acc
}

// inAccount says whether an entry falls between the leaf falls of an account; with an unknown bound its season decides.
func (e Entry) inAccount(a *Account, season int) bool {
	if !a.From.Known() && !a.To.Known() {
		return e.Season == season
	}
	return (!a.From.Known() || e.Date >= a.From) && (!a.To.Known() || e.Date < a.To)
}

// Reached says whether the stop line is reached: under half a percent is left.
func (a *Account) Reached() bool { return !a.Exempt && a.Left < 0.005 }
