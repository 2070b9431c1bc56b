package cut

import (
	"fmt"
	"math"
	"slices"

	"vertumna/core/find"
	"vertumna/core/given"
	"vertumna/core/limb"
)

// Measured is a cut as it was made in the yard; DMM is its wound by caliper, 0 as the map has it.
type Measured struct {
	limb.CutAt
	DMM float64
}

// Done is a map after the cuts that were made on it, and what they came to.
type Done struct {
	Doc      limb.Doc
	Map      *limb.Map
	Share    float64   // of the crown, of what counts
	WoundsMM []float64 // in the order of the cuts
	FreeOnly bool      // nothing that counts toward the limit went
	Headed   bool      // a heading cut or a stub: it sends shoots
}

// Make makes cuts on a map and its document in the order given; what was measured on it stays as it was measured. A caliper corrects the
// share that the map's thickness gave. Errors: given.Fault of the field cuts[k]; those of limb.Map.Cut.
func (s *Slip) Make(doc limb.Doc, m *limb.Map, made []Measured) (Done, error) {
	out := Done{Doc: doc, Map: m, FreeOnly: true}
	stays := 1.0
	for k, c := range made {
		field := fmt.Sprintf("cuts[%d]", k)
		m := out.Map
		i := m.Index(c.Limb)
		if i < 0 {
			return out, given.Fault{Code: "no_limb", Field: field + ".limb", Given: c.Limb, Expected: "a limb that still stands on this map"}
		}
		share, d := m.ShareOf(c.CutAt), woundMM(m, i, c.CutAt)
		if c.DMM > 0 && d > 0 {
			if !Plausible(c.DMM, d) {
				return out, given.Fault{
					Code: "bad_diameter", Field: field + ".d_mm", Given: fmt.Sprintf("%g mm", c.DMM), Expected: fmt.Sprintf("about the map's %.0f mm, in millimetres", d),
				}
			}
			share, d = math.Min(1, share*c.DMM*c.DMM/(d*d)), c.DMM
		}
		after, err := m.Cut(c.CutAt)
		if err != nil {
			return out, err
		}
		if out.Doc, err = onDoc(out.Doc, m, c.CutAt, d); err != nil {
			return out, err
		}
		out.Map = after
		if !s.isFree(c.CutAt) {
			stays *= 1 - share
			out.FreeOnly = false
		}
		if d > 0 {
			out.WoundsMM = append(out.WoundsMM, tenth(d))
		}
		switch c.Kind {
		case limb.AboveBud, limb.TipThird, limb.Stub:
			out.Headed = true
		}
	}
	out.Share = 1 - stays
	return out, nil
}

func tenth(x float64) float64 { return math.Round(x*10) / 10 }

// woundMM is the thickness of the wound a cut makes; 0 for none.
func woundMM(m *limb.Map, i int, c limb.CutAt) float64 {
	switch {
	case c.Kind == limb.SpurThin || c.Kind == limb.Notch:
		return 0
	case c.AtCM <= 0:
		return m.Axes[i].D
	}
	return m.Diameter(i, c.AtCM)
}

// sameSpur: two places of spurs nearer than this, cm, are one.
const sameSpur = 0.1

// onDoc makes a cut on the document.
func onDoc(doc limb.Doc, m *limb.Map, c limb.CutAt, d float64) (limb.Doc, error) {
	if c.Kind == limb.Notch {
		return doc, nil
	}
	if c.Kind == limb.SpurThin {
		spurs := slices.Clone(m.Axes[m.Index(c.Limb)].Spurs)
		for k := range spurs {
			if math.Abs(spurs[k].FromCM-c.AtCM) <= sameSpur {
				spurs[k].Count = math.Round(spurs[k].Count * (1 - c.Fraction))
			}
		}
		return limb.Apply(doc, limb.Edit{Op: "set", ID: c.Limb, Limb: &limb.Limb{ID: c.Limb, Spurs: spurs}})
	}
	carrier := m.Axes[m.Index(c.Limb)].Parent
	next, err := limb.Apply(doc, limb.Edit{Op: "cut", ID: c.Limb, AtCM: limb.Of(math.Max(0, c.AtCM))})
	if err != nil {
		return doc, err
	}
	if c.AtCM > 0 || carrier < 0 {
		return next, nil
	}
	if l := next.Find(m.Axes[carrier].ID); l != nil && len(l.Wounds) > 0 { // the wound as the caliper has it
		l.Wounds[len(l.Wounds)-1].DMM = tenth(d)
	}
	return next, nil
}

// isFree: the slip has this cut and does not count it.
func (s *Slip) isFree(c limb.CutAt) bool {
	for k := range s.Cuts {
		if x := &s.Cuts[k]; x.Limb == c.Limb && x.Kind == c.Kind {
			return x.Free()
		}
	}
	return false
}

// Taken is what cuts that count take of each third of a map's height up to topCM.
func (s *Slip) Taken(m *limb.Map, topCM float64, cuts []limb.CutAt) [3]float64 {
	out := ZonesTaken(m, topCM, slices.DeleteFunc(slices.Clone(cuts), s.isFree))
	for k := range out {
		out[k] = math.Round(out[k]*1e4) / 1e4
	}
	return out
}

// NotMade are the steps of the slip that were not worked: no cut that was made is on their limb.
func (s *Slip) NotMade(made []Measured) []*Step {
	var out []*Step
	for k := range s.Cuts {
		x := &s.Cuts[k]
		if !slices.ContainsFunc(made, func(c Measured) bool { return c.Limb == x.Limb }) {
			out = append(out, x)
		}
	}
	return out
}

// Waiting is work that a slip leaves for a later one.
type Waiting struct {
	Key
	Why Why
	Due limb.Season
	CM  float64 // lowered by so much this year
}

const mostWaiting = 60

// Left is what waits for a later slip once some cuts were made, with its reason; what waits for nothing (light to be looked at, no safe
// cut) is found again by itself.
func (s *Slip) Left(made []Measured) []Waiting {
	var out []Waiting
	add := func(f find.Finding, why Why, cm float64) {
		if len(out) < mostWaiting {
			out = append(out, Waiting{KeyOf(f), why, DueIn(why, s.Season), tenth(cm)})
		}
	}
	for _, x := range s.NotMade(made) {
		if len(x.Solves) > 0 {
			add(x.Solves[0], LeftByYou, 0)
		}
	}
	for _, c := range s.Carried {
		if c.Waits() {
			add(c.Finding, c.Why, c.CM)
		}
	}
	return out
}

// Spent is what a tree year has already lost to the saw.
type Spent struct {
	Zones [3]float64 // of each third of the height
	Big   int        // wounds thicker than BigWoundMM
}

// Take adds work: its share of the crown, the same by thirds (nil: told as a whole, so it went from all alike), its wounds. Shares are of
// what stood then, so they compound.
func (s *Spent) Take(share float64, zones *[3]float64, woundsMM []float64) {
	for k := range s.Zones {
		taken := share
		if zones != nil {
			taken = zones[k]
		}
		s.Zones[k] = 1 - (1-s.Zones[k])*(1-taken)
	}
	for _, mm := range woundsMM {
		if mm > BigWoundMM {
			s.Big++
		}
	}
}

// Renewed sets a new tree beside one that is kept, over the same years and in the same hours of all care.
type Renewed struct {
	KeepHours, NewHours float64
	KeepKilos, NewKilos float64
}

// SetAgainstNew compares keeping a tree, by its planned years and what they bear (kg a year), with planting a new one that bears as much
// in the end. Hours: of a grown tree of the kind a year; years: until a new one's full crop.
func SetAgainstNew(rows []YearRow, kilos []float64, hoursAYear, yearsToFull int) Renewed {
	out := Renewed{KeepHours: math.Round(KeepHours(rows, hoursAYear)), NewHours: math.Round(NewTreeHours(len(rows), hoursAYear, yearsToFull))}
	full := 0.0
	for _, kg := range kilos {
		full = math.Max(full, kg)
	}
	for k, kg := range kilos {
		out.KeepKilos += kg
		out.NewKilos += full * NewTreeCrop(k+1, yearsToFull)
	}
	out.KeepKilos, out.NewKilos = math.Round(out.KeepKilos), math.Round(out.NewKilos)
	return out
}
