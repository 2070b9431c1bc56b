// Package growth makes trees: the first sketch of one from a few numbers, and one forward by a season.
package growth

import (
	"fmt"
	"math"
	"strconv"

	"vertumna/core/almanac"
	"vertumna/core/given"
	"vertumna/core/limb"
	"vertumna/core/pomology"
)

// SketchInput is what a first sketch is made from. Lengths in cm, the trunk's thickness in mm, azimuths in degrees.
type SketchInput struct {
	Species    string            `json:"species" maxLength:"40"`
	Form       pomology.FormSlug `json:"form" maxLength:"40"`
	Age        int               `json:"age" minimum:"1" maximum:"150"`
	TrunkMM    float64           `json:"trunk_mm" minimum:"0" maximum:"1500"`
	HeightCM   float64           `json:"height_cm" minimum:"0" maximum:"1500"`
	SpreadCM   float64           `json:"spread_cm" minimum:"0" maximum:"1500"`
	Scaffolds  int               `json:"scaffolds" minimum:"1" maximum:"12"`
	Seed       uint64            `json:"seed" minimum:"0" maximum:"9007199254740991"`
	Azimuths   []float64         `json:"azimuths,omitempty" nullable:"false" doc:"of the scaffolds, as far as known" maxItems:"12" minimum:"0" maximum:"360"`
	PlaneAzDeg *float64          `json:"plane_az,omitempty" doc:"flat forms: the direction the arms run; 90 unless given" minimum:"0" maximum:"360"`
	Faults     []string          `json:"faults,omitempty" nullable:"false" doc:"planted for practice" maxItems:"20" maxLength:"40"`
	Year       int               `json:"year,omitempty" minimum:"0" maximum:"2200"`
	Season     limb.Season       `json:"season,omitempty" maxLength:"20"`
}

// Limits of a sketch.
const (
	maxScaffolds = 12
	maxSketchCM  = 1500
)

// twig is a limb of a sketch while it is drawn: as in the map, unrounded.
type twig struct {
	id, parent                   string
	at, x, y, az, a0, a1, length float64
	d, dt                        float64
	rings                        []float64
	cut, sucker                  bool
	marks                        []limb.Mark
	children                     []int
}

type sketch struct {
	in    SketchInput
	g     pomology.Growth
	draw  *almanac.Stream
	ext   float64 // extension a year at this age, cm
	rad   float64 // half the spread
	plane float64
	twigs []twig
	used  map[string]bool
	old   []string // pools for faults: ids of laterals, of scaffolds
	sca   []string
}

func clamp(x, a, b float64) float64 { return math.Max(a, math.Min(b, x)) }

// Sketch draws a plausible tree of a kind, form, age and size: the same input gives the same tree. All its values are
// estimated but for those given. The error is given.Faults.
func Sketch(in SketchInput) (limb.Doc, error) {
	kind, err := checkSketch(in)
	if err != nil {
		return limb.Doc{}, err
	}
	g := kind.Growth
	s := &sketch{
		in: in, g: g, draw: almanac.SeedStream(in.Seed), rad: in.SpreadCM / 2, plane: 90, used: map[string]bool{},
		ext: g.ExtensionCM * clamp(youngReaches-agesBy*float64(in.Age), oldReaches, mostReach),
	}
	if in.PlaneAzDeg != nil {
		s.plane = *in.PlaneAzDeg
	}
	s.frame()
	s.sides()
	s.thicken()
	s.round()
	s.pools()
	for k, f := range in.Faults {
		s.plant(k+1, f)
	}
	return s.document(), nil
}

func checkSketch(in SketchInput) (*pomology.Kind, error) {
	var ps given.Faults
	bad := func(field, was, expected string) { ps.Add("E_SKETCH", field, was, expected) }
	kind, err := pomology.BySlug(in.Species)
	if err != nil {
		bad("species", fmt.Sprintf("%q", in.Species), "a kind of the table")
		return nil, ps
	}
	if _, err := pomology.FormBySlug(in.Form); err != nil {
		bad("form", fmt.Sprintf("%q", in.Form), "a form of the table")
	}
	if in.Age < 1 || in.Age > mostSketchYears {
		bad("age", fmt.Sprintf("%d years", in.Age), fmt.Sprintf("1 to %d", mostSketchYears))
	}
	tip := kind.Growth.TipMM
	if !(in.TrunkMM > tip && in.TrunkMM <= limb.MaxDiameterMM) {
		bad("trunk_mm", fmt.Sprintf("%g mm", in.TrunkMM), fmt.Sprintf("above %g to %.0f mm", tip, limb.MaxDiameterMM))
	}
	if !(in.HeightCM >= leastSketchHeightCM && in.HeightCM <= maxSketchCM) {
		bad("height_cm", fmt.Sprintf("%g cm", in.HeightCM), fmt.Sprintf("%d to %d cm", leastSketchHeightCM, maxSketchCM))
	}
	if !(in.SpreadCM >= leastSketchSpreadCM && in.SpreadCM <= maxSketchCM) {
		bad("spread_cm", fmt.Sprintf("%g cm", in.SpreadCM), fmt.Sprintf("%d to %d cm", leastSketchSpreadCM, maxSketchCM))
	}
	if in.Scaffolds < 1 || in.Scaffolds > maxScaffolds {
		bad("scaffolds", fmt.Sprintf("%d", in.Scaffolds), fmt.Sprintf("1 to %d", maxScaffolds))
	}
	for _, a := range in.Azimuths {
		if !(a >= 0 && a <= 360) {
			bad("azimuths", fmt.Sprintf("%g degrees", a), "0 to 360")
		}
	}
	for _, f := range in.Faults {
		if _, ok := faults[f]; !ok {
			bad("faults", fmt.Sprintf("%q", f), "a fault that can be planted")
		}
	}
	if len(ps) > 0 {
		return nil, ps
	}
	return kind, nil
}

// equalRings parts a length into seasons: equal ones, then the last of e cm where e is above 0.
func (s *sketch) equalRings(length, e float64, years int) []float64 {
	unit := math.Max(ringUnit*s.ext, leastRingCM)
	if e <= 0 {
		return parts(length, int(clamp(math.Ceil(length/unit), 1, math.Max(1, float64(years)))))
	}
	e = math.Min(e, length)
	k := int(clamp(math.Ceil((length-e)/unit), 0, math.Max(0, float64(years-1))))
	if k == 0 {
		return []float64{length}
	}
	return append(parts(length-e, k), e)
}

func parts(length float64, k int) []float64 {
	out := make([]float64, k)
	for i := range out {
		out[i] = length / float64(k)
	}
	return out
}

func (s *sketch) add(t twig) { s.twigs = append(s.twigs, t) }

func (s *sketch) is(forms ...pomology.FormSlug) bool {
	for _, f := range forms {
		if s.in.Form == f {
			return true
		}
	}
	return false
}

func (s *sketch) flat() bool { return s.is(pomology.FlatFan, pomology.WireTiers, pomology.StepOver) }

// frame draws trunk and scaffolds.
func (s *sketch) frame() {
	if !s.is(pomology.Shrub) {
		s.trunk()
	}
	switch s.in.Form {
	case pomology.ModifiedLeader, pomology.CentralLeader, pomology.SlimLeader:
		s.leaderLimbs()
	case pomology.FlatFan:
		s.fanRibs()
	case pomology.WireTiers, pomology.StepOver:
		s.wireArms()
	case pomology.Shrub:
		s.shrubStems()
	default:
		s.vaseLimbs()
	}
	if s.is(pomology.LateLeader) {
		s.lateLeader()
	}
}

func (s *sketch) trunk() {
	h := s.in.HeightCM
	t := twig{id: "T", length: h}
	e := trunkGrows * s.ext
	switch s.in.Form {
	case pomology.LowBush, pomology.FlatFan, pomology.StepOver:
		shape := trunks[s.in.Form]
		t.length, t.cut, e = shape.length, true, shape.since*s.ext
	case pomology.WireTiers:
		e = wireTrunkGrows * s.ext
	case pomology.OpenVase, pomology.LateLeader, pomology.FourArm:
		t.length, t.cut, e = clamp(vaseHead*h, vaseHeadLow, vaseHeadHigh), true, 0
	}
	if s.flat() {
		t.az = s.plane
	}
	t.rings = s.equalRings(t.length, e, s.in.Age)
	s.add(t)
}

// scaffold adds main limb k.
func (s *sketch) scaffold(k int, t twig, e float64, years int) {
	if k < len(s.in.Azimuths) {
		t.az = s.in.Azimuths[k]
	}
	t.id = "S" + strconv.Itoa(k+1)
	t.a0, t.a1 = clamp(t.a0, 0, mostLeanDeg), clamp(t.a1, 0, mostLeanDeg)
	t.rings = s.equalRings(t.length, e, years)
	s.add(t)
}

func cosDeg(a float64) float64 { return math.Cos(a * math.Pi / 180) }
func sinDeg(a float64) float64 { return math.Sin(a * math.Pi / 180) }

func (s *sketch) vaseLimbs() {
	n, head := s.in.Scaffolds, s.twigs[0].length
	rot := s.draw.Uni(0, 360)
	for k := range n {
		t := twig{parent: "T"}
		t.az = rot + 360*float64(k)/float64(n) + s.some(vaseTurn)
		t.at = head - float64(n-1-k)*math.Min(vaseStepCM, vaseStep*head/float64(n))
		t.a1 = s.some(vaseEndDeg)
		if s.is(pomology.LowBush) {
			t.a0 = s.some(bushLeanDeg)
		} else {
			t.a0 = s.some(vaseLeanDeg)
		}
		mid := (t.a0 + t.a1) / 2
		t.length = (s.in.HeightCM - t.at) / cosDeg(mid) * s.some(nearlyFull)
		if !s.is(pomology.LowBush) {
			t.length = math.Min(t.length, overSpread*s.rad/sinDeg(mid))
		}
		t.length = math.Max(t.length, leastScaffoldCM)
		s.scaffold(k, t, s.ext*s.some(scaffoldGrows), s.in.Age-1)
	}
}

func (s *sketch) leaderLimbs() {
	n, h := s.in.Scaffolds, s.in.HeightCM
	shape := leaders[s.in.Form]
	top, low := shape.top*h, math.Min(leaderLowCM, leaderLow*h)
	rot := s.draw.Uni(0, 360)
	for k := range n {
		f := float64(k) / math.Max(1, float64(n-1))
		t := twig{parent: "T", at: low + math.Max(0, top-low)*f}
		t.az = rot + goldenDeg*float64(k) + s.some(leaderTurn)
		t.a0 = leaderLeanDeg - leanLessDeg*f + s.some(leaderLeanOff)
		t.a1 = t.a0 - s.some(leaderRights)
		t.length = s.rad / sinDeg((t.a0+t.a1)/2) * (1 - shape.shorter*f) * s.some(leaderFull)
		s.scaffold(k, t, s.ext*s.some(scaffoldGrows), max(2, s.in.Age-1-k/2))
	}
}

func (s *sketch) fanRibs() {
	n := s.in.Scaffolds
	for k := range n {
		f, th := float64(k)/math.Max(1, float64(n-1)), 0.0
		if n > 1 {
			th = fanFirstDeg - fanSweepDeg*f
		}
		t := twig{parent: "T", az: s.plane, a0: math.Max(fanLeastDeg, math.Abs(th)), at: fanFootCM + fanMiddleCM*(1-math.Abs(2*f-1))}
		if th < 0 {
			t.az += 180
		}
		t.a1 = t.a0
		t.length = math.Min(s.rad/math.Max(fanWidest, sinDeg(math.Abs(th))), math.Max(leastScaffoldCM, s.in.HeightCM-fanFootCM)/math.Max(fanTallest, cosDeg(th))) * s.some(nearlyFull)
		s.scaffold(k, t, s.ext*s.some(ribGrows), s.in.Age-1)
	}
}

func (s *sketch) wireArms() {
	tiers := 1
	if s.is(pomology.WireTiers) {
		tiers = max(1, (s.in.Scaffolds+1)/2)
	}
	for k := range min(s.in.Scaffolds, 2*tiers) {
		odd := float64(k % 2)
		t := twig{parent: "T", az: s.plane + 180*odd, a0: armLeanDeg, a1: armEndDeg}
		t.at = math.Max(0, math.Min(firstWireCM+math.Max(0, s.in.HeightCM-firstWireCM)*float64(k/2)/float64(tiers), s.twigs[0].length)-otherArmLower*odd)
		t.length = s.rad * s.some(nearlyFull)
		s.scaffold(k, t, s.ext*s.some(armGrows), s.in.Age-1)
	}
}

// shrubStems draws stems from the ground in a ring; angles and distances are our estimates.
func (s *sketch) shrubStems() {
	n := s.in.Scaffolds
	rot := s.draw.Uni(0, 360)
	for k := range n {
		t := twig{az: rot + 360*float64(k)/float64(n) + s.some(vaseTurn)}
		t.a0 = s.some(shrubLeanDeg)
		t.a1 = t.a0 + s.some(shrubOpens)
		off := math.Min(shrubRingCM, shrubRing*s.rad)
		t.x, t.y = off*sinDeg(t.az), off*cosDeg(t.az)
		mid := (t.a0 + t.a1) / 2
		t.length = math.Min(s.in.HeightCM/cosDeg(mid), shrubOver*s.rad/sinDeg(mid)) * s.some(leaderFull)
		s.scaffold(k, t, s.ext*s.some(scaffoldGrows), s.in.Age-1)
	}
}

// lateLeader adds the limb kept in the middle of a vase: bare below, a small crown on top (our estimate: side limbs on
// its upper third).
func (s *sketch) lateLeader() {
	head := s.twigs[0].length
	t := twig{id: "C", parent: "T", at: head, a0: lateLeanDeg, a1: lateLeanDeg, az: s.draw.Uni(0, 360), length: math.Max(lateLeastCM, s.in.HeightCM-head)}
	t.rings = s.equalRings(t.length, s.ext, max(2, s.in.Age-lateYears))
	s.add(t)
	for k := range lateSides {
		side := twig{id: "C." + strconv.Itoa(k+1), parent: "C", at: t.length * (lateFirst + lateStep*float64(k)), az: t.az + goldenDeg*float64(k+1)}
		side.a0 = s.some(lateSideLean)
		side.a1 = side.a0 - lateRights
		side.length = t.length * s.some(lateSideLength)
		side.rings = s.equalRings(side.length, math.Min(side.length, lateSideGrows*s.ext), lateYears)
		s.add(side)
	}
}
