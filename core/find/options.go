package find

import (
	"math"

	"vertumna/core/limb"
	"vertumna/core/pomology"
)

// Options are the thresholds, as the school, the tree and the person have them. All are adjustable; Defaults are those of
// limbs.md#3-findings.
type Options struct {
	ReachCM       float64 // picking height
	LowCM         float64 // lowest a limb should hang; 0: no lower bound
	SideRatio     float64 // a side branch thicker than this part of its carrier; 0: no rule
	VaseRatio     float64 // the same for a scaffold of a vase on its trunk
	CrotchHardDeg float64
	CrotchSoftDeg float64
	InwardRatio   float64 // part of its length that a limb grows toward the middle
	HatCM         float64 // what must pass through the middle of a vase
	BallCM        float64
	Airy          int // limbs fewer than usual that may pass close to one
	DarkLight     float64
	BlackLight    float64
	StressSoftMPa float64
	StressHardMPa float64
	BarrenCM      float64
	Building      *bool // still being formed; nil: to the age of 5
	Harvested     bool
	Day           string  // YYYY-MM-DD, for what a person decided until a day; "": no day has come
	MostLimbs     int     // main limbs of an open tree; 0: not looked at
	StopLeader    bool    // a modified leader ends a little above its highest main limb
	ByDirection   bool    // of two limbs that cross, the one that runs back into the tree gives way, before the thinner
	InPlane       bool    // shoots out of a wall tree's plane are told
	ShortShoots   bool    // side shoots of spur bearers are spurred back in winter, whatever their length
	CollarOnly    bool    // no renewal stub is left: a successor must stand first
	StubCM        float64 // of a renewal stub; 0: StubCM
	Vigour        pomology.VigourClass
	Weighs        Weighs // what a cut may cost in fruit
	Without       []Code // findings that are not looked for
}

// Weighs is what counts more where a cut that betters the tree costs fruit.
type Weighs string

// What may count more; the zero value weighs them as limbs.md#3-findings does.
const (
	Structure Weighs = "structure" // years of the tree before fruit of this one
	FruitMore Weighs = "fruit"
)

// FruitPrice is what fruit buds count against a cut, of what they count as usual (our estimate).
func (w Weighs) FruitPrice() float64 {
	switch w {
	case Structure:
		return 0.4
	case FruitMore:
		return 2
	}
	return 1
}

// Defaults are the thresholds of limbs.md#3-findings.
func Defaults() Options { return usual }

var usual = Options{
	ReachCM: 240, LowCM: 50, SideRatio: 0.50, VaseRatio: 0.80, CrotchHardDeg: 33, CrotchSoftDeg: 45, InwardRatio: 0.35,
	HatCM: 35, BallCM: 10, DarkLight: limb.DarkLight, BlackLight: 0.15, StressSoftMPa: 15, StressHardMPa: 25, BarrenCM: 45,
}

// Where summers are hot, humid and wet, leaves that dry late fall sick: the middle is wanted wider and fewer limbs close together (our
// estimates).
const (
	humidHat   = 1.25
	humidFewer = 1
)

// ForHumidSummers are the thresholds where air weighs more: healthy wood that blocks it is told sooner.
func (o Options) ForHumidSummers() Options {
	o.HatCM *= humidHat
	o.Airy += humidFewer
	return o
}

func (o Options) unset() bool { return o.ReachCM == 0 }

// buildingAge: to this age a tree counts as still being formed, unless told.
const buildingAge = 5

func (o Options) building(age int) bool {
	if o.Building != nil {
		return *o.Building
	}
	return age <= buildingAge
}

// busyInward and busyHatCM: where the middle may be busier, an inward limb is told only when it crosses most of the way,
// and a hand must pass, not a hat (our estimates).
const (
	openLimbs  = 5
	manyLimbs  = 6
	busyInward = 0.60
	busyHatCM  = 12
	kneeCM     = 35
)

// ForSchool are the thresholds of a school for a kind, with the picking height in cm.
func ForSchool(school pomology.Resolved, kind *pomology.Kind, reachCM float64) Options {
	o := Defaults()
	if reachCM > 0 {
		o.ReachCM = reachCM
	}
	switch school.Value("side_branch") {
	case "60":
		o.SideRatio = 0.60
	case "off":
		o.SideRatio, o.VaseRatio = 0, 0
	}
	switch school.Value("first_limb") {
	case "knee":
		o.LowCM = kneeCM
	case "none":
		o.LowCM = 0
	}
	if school.Value("limb_angle") == "30-35" { // limbs are meant to stand at what others call narrow
		o.CrotchHardDeg, o.CrotchSoftDeg = 25, 30
	}
	if middle := school.Value("middle"); middle == "twigs" || middle == "by-kind" && kind.Middle == "busy" {
		o.InwardRatio, o.HatCM = busyInward, busyHatCM
	}
	o.CollarOnly = school.Is("cut_end", "collar")
	o.StopLeader = school.Is("leader_stop", "45-50")
	o.InPlane, o.ByDirection, o.ShortShoots, o.MostLimbs = true, true, school.Is("side_shoots", "spurred"), openLimbs
	if school.Is("scaffolds", "4-6", "tiers-of-4") {
		o.MostLimbs = manyLimbs
	}
	if school.Value("aim") == "build" {
		yes := true
		o.Building = &yes
	}
	return o
}

// Path is a way that must stay clear to a height. The tree's base is the origin of its polygon, cm.
type Path struct {
	Name    string
	Polygon [][2]float64
	ClearCM float64 // 0: 220
}

// Crown is another tree, as an ellipsoid; cm from this tree's base.
type Crown struct {
	Name            string
	X, Y, R, Z0, Z1 float64
}

// Wall is what a limb should not grow into: a strip of ground, cm from this tree's base, to a height.
type Wall struct {
	Name    string
	Polygon [][2]float64
	TopCM   float64
	Open    bool // a hedge or laths: some light passes
}

// Yard is what stands round a tree.
type Yard struct {
	Paths      []Path
	Neighbours []Crown
	Walls      []Wall
	Shade      []Crown // trees that are only there for their shade
	PowerLines [][][2]float64
}

// TopCM is the height of what stands highest in the yard.
func (y Yard) TopCM() float64 {
	top := 0.0
	for _, c := range y.Neighbours {
		top = math.Max(top, c.Z1)
	}
	for _, c := range y.Shade {
		top = math.Max(top, c.Z1)
	}
	for _, w := range y.Walls {
		top = math.Max(top, w.TopCM)
	}
	return top
}

// Bearing is where the nearest edge of a strip of ground lies as seen from the tree, degrees from north, and how far, cm. ok is false for
// a strip without points, or one the tree stands on.
func Bearing(polygon [][2]float64) (deg, cm float64, ok bool) {
	cm = math.Inf(1)
	for i, p := range polygon {
		q := polygon[(i+1)%len(polygon)]
		dx, dy := q[0]-p[0], q[1]-p[1]
		t := 0.0
		if l := dx*dx + dy*dy; l > 0 {
			t = math.Max(0, math.Min(1, -(p[0]*dx+p[1]*dy)/l))
		}
		x, y := p[0]+t*dx, p[1]+t*dy
		if d := math.Hypot(x, y); d < cm {
			cm, deg = d, math.Mod(math.Atan2(x, y)*180/math.Pi+360, 360)
		}
	}
	return deg, cm, len(polygon) > 0 && cm > 0 && !limb.InPolygon(polygon, 0, 0)
}
