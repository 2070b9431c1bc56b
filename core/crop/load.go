package crop

import (
	"math"

	"vertumna/core/given"
	"vertumna/core/num"
	"vertumna/core/pomology"
)

// CrotchInput is how a limb is attached.
type CrotchInput struct {
	CrotchDeg  float64  `json:"crotch_deg" in:"[0,180]"` // between the limb and what carries it
	DiameterMM *float64 `json:"diameter_mm" in:"? (0,1500]"`
	ParentMM   *float64 `json:"parent_diameter_mm" in:"? (0,1500]"`
	Bark       string   `json:"included_bark" in:"yes|no|unknown = unknown"` // a seam of bark, no collar
}

// Crotch is the share of a limb's own wood strength that its attachment has.
type Crotch struct {
	Share        float64 `json:"strength_share"`
	BarkIncluded bool    `json:"bark_included"`
}

// Strength of a crotch by its angle and by how thick the limb is against its carrier; after MacDaniels 1923, Ruth and Kelley
// 1932, Miller 1959 (apple), Gilman 2003, Kane et al. 2008, Slater and Ennos 2013; the numbers are our smoothing (est.).
var (
	byAngle = [][2]float64{{0, 0.5}, {10, 0.55}, {20, 0.7}, {30, 0.85}, {45, 1}}
	byRatio = [][2]float64{{0.5, 1}, {0.75, 0.85}, {1, 0.7}}
)

const (
	barkShare     = 0.55
	barkUnder     = 33 // degrees: taken as trapped where nobody looked
	leastStrength = 0.25
	unknownRatio  = 0.5
)

// CrotchStrength rates an attachment, `crotch_strength`. Errors: given.Faults.
func CrotchStrength(in CrotchInput) (Crotch, error) {
	fs := given.Check(in)
	if len(fs) == 0 {
		thickerThanCarrier(&fs, in.DiameterMM, in.ParentMM)
	}
	if err := fs.Err(); err != nil {
		return Crotch{}, err
	}
	ratio := 1.0
	if in.DiameterMM != nil && in.ParentMM != nil {
		ratio = num.Lerp(byRatio, *in.DiameterMM / *in.ParentMM)
	}
	out := Crotch{BarkIncluded: in.Bark == "yes" || in.Bark == "unknown" && in.CrotchDeg < barkUnder}
	out.Share = num.Lerp(byAngle, in.CrotchDeg) * ratio
	if out.BarkIncluded {
		out.Share *= barkShare
	}
	out.Share = math.Max(leastStrength, out.Share)
	return out, nil
}

func thickerThanCarrier(fs *given.Faults, d, parent *float64) {
	if d != nil && parent != nil && *d > *parent {
		fs.Add(given.Conflict, "diameter_mm", ftoa(*d), "no thicker than the "+ftoa(*parent)+" mm that carries it")
	}
}

// LoadInput is a limb with what hangs on it.
type LoadInput struct {
	Species   string   `json:"species"`
	LengthCM  float64  `json:"length_cm" in:"[10,1000]"`
	D         float64  `json:"diameter_mm" in:"[3,500]"`
	TipMM     *float64 `json:"tip_diameter_mm" in:"? [0.5,500]"`
	BaseDeg   float64  `json:"angle_base_deg" in:"[0,180]"`
	TipDeg    *float64 `json:"angle_tip_deg" in:"? [0,180]"`
	Fruit     int      `json:"fruit" in:"[0,20000]"`
	FruitG    *float64 `json:"fruit_mass_g" in:"? [0.5,2000]"`
	BareShare float64  `json:"bare_share" in:"[0,0.9] = 0.2"` // of the length, without fruit and leaf
	InLeaf    bool     `json:"in_leaf" in:"= true"`
	SnowKgM2  float64  `json:"snow_kg_m2" in:"[0,200] = 0"` // what falls, mm of water
	Safety    float64  `json:"safety" in:"[1,6] = 2.5"`
	CrotchDeg *float64 `json:"crotch_deg" in:"? [0,180]"`
	ParentMM  *float64 `json:"parent_diameter_mm" in:"? (0,1500]"`
	Bark      string   `json:"included_bark" in:"yes|no|unknown = unknown"`
	Sound     float64  `json:"sound_share" in:"[0.1,1] = 1"` // of the wood at the base, where it is cankered or hollow
}

// Load is what a limb bears against what it carries safely.
type Load struct {
	MomentNM             float64  `json:"moment_nm"`
	StressMPa            float64  `json:"stress_mpa"`
	LimitMPa             float64  `json:"limit_mpa"`
	Use                  float64  `json:"use"`   // of the limit
	State                string   `json:"state"` // ok, watch, over, danger
	Strength             float64  `json:"strength_share"`
	BarkIncluded         bool     `json:"bark_included"`
	SafeFruit            int      `json:"safe_fruit"`
	BreakFruit           int      `json:"break_fruit"`
	Remove               int      `json:"remove"`
	TipSagCM             float64  `json:"tip_sag_cm"`
	ShortenToCM          *int     `json:"shorten_to_cm"`
	FruitAfterShortening *int     `json:"fruit_after_shortening"`
	PropAtCM             int      `json:"prop_at_cm"`
	PropHolds            bool     `json:"prop_holds"`
	LoadKG               float64  `json:"load_kg"` // fruit, leaf and snow
	Warnings             []string `json:"warnings"`
}

// States of a load.
const (
	LoadOK     = "ok"
	LoadWatch  = "watch"
	LoadOver   = "over"
	LoadDanger = "danger"
)

// Numbers of the beam. Rupture and modulus: green wood (Markwardt and Wilson 1935; Forest Products Laboratory 2010) x 0.85
// for branches (est.), in the kinds table. Thickness along the limb: the pipe model, Shinozaki et al. 1964.
const (
	gravity      = 9.81
	pieces       = 40
	bendings     = 3
	creep        = 1.5  // weeks of load on green wood (est.)
	leafKgM2     = 0.22 // fresh leaf
	sideWood     = 0.3  // of the axis
	snowInLeaf   = 0.8
	snowBare     = 0.25
	snowWidthM   = 0.8
	okTo         = 0.8
	usualTipMM   = 5
	propShare    = 0.65
	mostFruit    = 20000
	leastStandCM = 10 // beyond the bare part, left after shortening
)

// beam is a limb as the load model sees it: metres, kilograms, radians.
type beam struct {
	L, d, dt float64 // length, thickness at base and tip
	a0, a1   float64
	s0       float64 // bare to here
	rho, e   float64
	mass     float64 // of a fruit, kg
	leaf     float64 // kg
	snow     float64 // kg

	ds        float64
	wood, cov [pieces]float64 // kg of axis wood; share of the spread load
	bendy     [pieces]float64 // creep / (E I)
	th        [pieces]float64
	sin, cos  [pieces]float64 // of th
	side      float64
	known     []point
}

func (b *beam) at(s float64) float64 { return math.Sqrt(b.d*b.d + (b.dt*b.dt-b.d*b.d)*s/b.L) }

func (b *beam) angle(s float64) float64 { return b.a0 + (b.a1-b.a0)*s/b.L }

// ready fills in what does not depend on the fruit.
func (b *beam) ready() *beam {
	b.ds = b.L / pieces
	axis := b.rho * math.Pi / 4 * (b.d*b.d + b.dt*b.dt) / 2 * b.L
	b.side = sideWood * axis
	for k := range pieces {
		s := (float64(k) + 0.5) * b.ds
		d := b.at(s)
		b.wood[k] = b.rho * math.Pi / 4 * d * d * b.ds
		over := math.Min(b.L, float64(k+1)*b.ds) - math.Max(b.s0, float64(k)*b.ds)
		b.cov[k] = math.Max(0, over) / (b.L - b.s0)
		b.bendy[k] = creep / (b.e * math.Pi * d * d * d * d / 64)
		b.th[k] = b.angle(s)
		b.sin[k], b.cos[k] = math.Sincos(b.th[k])
	}
	return b
}

// nearBend is how far a piece may turn, radians, for the series below to hold to twelve figures.
const nearBend = 0.4

// worst is the sine of the worst angle of a piece on its way down: no lower than level, where its lever is longest.
func (b *beam) worst(k int, turned float64) float64 {
	switch {
	case b.th[k] >= math.Pi/2:
		return b.sin[k]
	case b.th[k]+turned >= math.Pi/2:
		return 1
	case math.Abs(turned) > nearBend:
		return math.Sin(b.th[k] + turned)
	}
	t := turned * turned
	sin := turned * (1 - t/6*(1-t/20*(1-t/42*(1-t/72))))
	cos := 1 - t/2*(1-t/12*(1-t/30*(1-t/56*(1-t/90))))
	return b.sin[k]*cos + b.cos[k]*sin
}

// bend is the moment at the base, Nm, and how far each piece has turned, with so many fruit. The worst angle on the way down
// keeps the moment rising with every fruit.
func (b *beam) bend(fruit float64) (moment float64, turned [pieces]float64) {
	var phi, x, m [pieces]float64
	load := fruit*b.mass + b.leaf + b.snow + b.side
	for k := range pieces {
		m[k] = b.wood[k] + load*b.cov[k]
	}
	places := func() {
		sum := 0.0
		for k := range pieces {
			sin := b.worst(k, phi[k])
			x[k] = b.ds * (sum + 0.5*sin)
			sum += sin
		}
	}
	for range bendings {
		places()
		var c [pieces]float64
		mj, mx := 0.0, 0.0 // of the pieces beyond
		for k := pieces - 1; k >= 0; k-- {
			c[k] = gravity * (mx - mj*x[k]) * b.bendy[k]
			mj += m[k]
			mx += m[k] * x[k]
		}
		sum := 0.0
		for k := range pieces {
			phi[k] = b.ds * (sum + 0.5*c[k])
			sum += c[k]
		}
	}
	places()
	for k := range pieces {
		moment += gravity * m[k] * x[k]
	}
	return moment, phi
}

// sag of the tip, m.
func (b *beam) sag(turned [pieces]float64) float64 {
	down := 0.0
	for k := range pieces {
		down += b.ds * (math.Cos(b.th[k]) - math.Cos(math.Max(b.th[k], math.Min(math.Pi, b.th[k]+turned[k]))))
	}
	return down
}

// stress at the base, MPa.
func (b *beam) stress(fruit float64) float64 {
	moment, _ := b.bend(fruit)
	return moment / (math.Pi * b.d * b.d * b.d / 32) / 1e6
}

// point is a number of fruit with the stress it makes.
type point struct {
	n int
	s float64
}

// stressAt is the stress of a whole number of fruit, kept for the searches to come.
func (b *beam) stressAt(n int) float64 {
	for _, p := range b.known {
		if p.n == n {
			return p.s
		}
	}
	s := b.stress(float64(n))
	b.known = append(b.known, point{n, s})
	return s
}

// most is the largest number of fruit whose stress stays within a limit, -1 where the bare limb is too much. The stress
// rises with every fruit, ever faster: what is known of it brackets the answer, the tangent at no fruit gives an upper end
// where nothing is, and the chord closes in (the Illinois method on whole numbers).
func (b *beam) most(limit float64) int {
	over := func(n int) float64 { return b.stressAt(n) - limit }
	if over(0) > num.Slack {
		return -1
	}
	low, fLow, high, fHigh := 0, over(0), -1, 0.0
	for _, p := range b.known {
		switch f := p.s - limit; {
		case f <= num.Slack && p.n > low:
			low, fLow = p.n, f
		case f > num.Slack && (high < 0 || p.n < high):
			high, fHigh = p.n, f
		}
	}
	for high < 0 {
		next := mostFruit
		if slope := over(low+1) - fLow; slope > 0 {
			next = int(math.Min(mostFruit, float64(low)+math.Ceil(-fLow/slope)+1))
		}
		if f := over(next); f > num.Slack {
			high, fHigh = next, f
		} else if low, fLow = next, f; next == mostFruit {
			return mostFruit
		}
	}
	for side := 0; high-low > 1; {
		n := low + int(float64(high-low)*-fLow/(fHigh-fLow))
		n = max(low+1, min(high-1, n))
		f := over(n)
		if f <= num.Slack {
			low, fLow = n, f
			if side == 1 {
				fHigh /= 2
			}
			side = 1
		} else {
			high, fHigh = n, f
			if side == -1 {
				fLow /= 2
			}
			side = -1
		}
	}
	return low
}

// outer is the part of a limb beyond a place, as a limb of its own.
func (b *beam) outer(x float64) *beam {
	r := 1.0
	if x >= b.s0 {
		r = (b.L - x) / (b.L - b.s0)
	}
	o := beam{L: b.L - x, d: b.at(x), dt: b.dt, a0: b.angle(x), a1: b.a1, s0: math.Max(0, b.s0-x), rho: b.rho, e: b.e, mass: b.mass, leaf: b.leaf * r, snow: b.snow * r}
	return o.ready()
}

// shortened is the limb cut back to c; r is the share of fruit and leaf that stays.
func (b *beam) shortened(c float64) (o *beam, r float64) {
	r = (c - b.s0) / (b.L - b.s0)
	o = &beam{L: c, d: b.d, dt: b.at(c), a0: b.a0, a1: b.angle(c), s0: b.s0, rho: b.rho, e: b.e, mass: b.mass, leaf: b.leaf * r, snow: b.snow * r}
	return o.ready(), r
}

func rad(deg float64) float64 { return deg * math.Pi / 180 }

func beamOf(in *LoadInput, k *pomology.Kind) *beam {
	c := &k.Crop
	tip := math.Min(usualTipMM, in.D)
	if in.TipMM != nil {
		tip = *in.TipMM
	}
	b := beam{
		L: in.LengthCM / 100, d: in.D / 1000, dt: tip / 1000, a0: rad(in.BaseDeg), a1: rad(given.Or(in.TipDeg, in.BaseDeg)),
		s0: in.BareShare * in.LengthCM / 100, rho: c.GreenDensityKgPer3, e: c.ModulusGPa * 1e9, mass: given.Or(in.FruitG, c.MassG) / 1000,
	}
	caught := snowBare
	if in.InLeaf {
		caught = snowInLeaf
		b.leaf = leafKgM2 * k.Growth.LeafM2PerCM2 * pomology.Section(in.D)
	}
	b.snow = in.SnowKgM2 * caught * math.Min(snowWidthM, b.L/2) * b.L * math.Sin((b.a0+b.a1)/2)
	return b.ready()
}

// LimbLoad bends a limb under what hangs on it, `limb_load`, and says what would save it: fruit off, a shorter limb, a prop.
// Cost: some thirty bendings of 40 pieces. Errors: given.Faults.
func LimbLoad(in LoadInput) (Load, error) {
	k, fs := kindOf(in, in.Species)
	if len(fs) == 0 {
		if in.TipMM != nil && *in.TipMM > in.D {
			fs.Add(given.Conflict, "tip_diameter_mm", ftoa(*in.TipMM), "no thicker than the base's "+ftoa(in.D)+" mm")
		}
		thickerThanCarrier(&fs, &in.D, in.ParentMM)
	}
	if err := fs.Err(); err != nil {
		return Load{}, err
	}
	crotch, err := CrotchStrength(CrotchInput{CrotchDeg: given.Or(in.CrotchDeg, in.BaseDeg), DiameterMM: &in.D, ParentMM: in.ParentMM, Bark: in.Bark})
	if err != nil {
		return Load{}, err
	}
	b := beamOf(&in, k)
	breaks := k.Crop.RuptureMPa * crotch.Share * in.Sound
	out := Load{LimitMPa: breaks / in.Safety, Strength: crotch.Share, BarkIncluded: crotch.BarkIncluded, Warnings: []string{}}
	n := float64(in.Fruit)
	moment, turned := b.bend(n)
	out.MomentNM, out.TipSagCM, out.StressMPa = moment, b.sag(turned)*100, moment/(math.Pi*b.d*b.d*b.d/32)/1e6
	b.known = append(b.known, point{in.Fruit, out.StressMPa})
	out.Use = out.StressMPa / out.LimitMPa
	out.LoadKG = n*b.mass + b.leaf + b.snow
	out.State = loadState(out.Use, in.Safety)
	out.SafeFruit = b.most(out.LimitMPa)
	switch {
	case out.SafeFruit < 0:
		out.SafeFruit = 0
		out.Warnings = append(out.Warnings, WWoodAlone)
	case out.SafeFruit == mostFruit:
		out.Warnings = append(out.Warnings, WNoLimit)
	}
	out.BreakFruit = 1 + b.most(breaks)
	out.Remove = max(0, in.Fruit-out.SafeFruit)
	if out.Use > 1+num.Slack {
		out.shorten(b, in.LengthCM, n)
	}
	out.PropAtCM = int(num.Round(propShare * in.LengthCM))
	x := float64(out.PropAtCM) / 100
	part := b.outer(x)
	beyond := n
	if x >= b.s0 {
		beyond = num.Floor(n * (b.L - x) / (b.L - b.s0))
	}
	out.PropHolds = part.stress(beyond) <= k.Crop.RuptureMPa*in.Sound/in.Safety+num.Slack
	out.Warnings = sorted(out.Warnings)
	return out, nil
}

func loadState(use, safety float64) string {
	switch {
	case use <= okTo+num.Slack:
		return LoadOK
	case use <= 1+num.Slack:
		return LoadWatch
	case use <= okTo*safety+num.Slack:
		return LoadOver
	}
	return LoadDanger
}

// shorten finds the longest length, in whole cm, at which the limb is safe with the fruit that then hangs on it: a shorter
// limb is never bent harder, so the search halves.
func (l *Load) shorten(b *beam, lengthCM, n float64) {
	safe := func(c int) (fruit int, ok bool) {
		o, r := b.shortened(float64(c) / 100)
		stays := num.Floor(n * r)
		return int(stays), o.stress(stays) <= l.LimitMPa+num.Slack
	}
	low, high := int(num.Ceil(b.s0*100+leastStandCM)), int(math.Ceil(lengthCM))
	if fruit, ok := safe(low); low >= high || !ok {
		l.Warnings = append(l.Warnings, WShortenNotEnough)
		return
	} else {
		l.ShortenToCM, l.FruitAfterShortening = &low, &fruit
	}
	for at := low; high-at > 1; {
		mid := (at + high) / 2
		if fruit, ok := safe(mid); ok {
			at = mid
			l.ShortenToCM, l.FruitAfterShortening = &mid, &fruit
		} else {
			high = mid
		}
	}
}
