package growth

import (
	"math"

	"vertumna/core/limb"
)

// How near a drawn tree comes to the height and spread it was given, as a part of them, and in how many rounds at most.
const (
	drawNear   = 0.01
	drawRounds = 12
)

// Draw sketches a tree that has the height and the spread it was given: a [Sketch] whose limbs are turned and lengthened until its top
// and its sides stand where they were measured. What is left of the difference is under one part in a hundred, or what the form
// cannot have: a trunk of its own height keeps it. The error is given.Faults.
func Draw(in SketchInput) (limb.Doc, error) {
	doc, err := Sketch(in)
	if err != nil {
		return doc, err
	}
	for range drawRounds {
		m, err := limb.Check(doc)
		if err != nil {
			return limb.Doc{}, err
		}
		high, wide := in.HeightCM/math.Max(1, m.Height()), in.SpreadCM/math.Max(1, widthOf(m))
		if math.Abs(high-1) <= drawNear && math.Abs(wide-1) <= drawNear {
			break
		}
		next := stretched(m, doc, in.HeightCM, high, wide)
		if _, err := limb.Check(next); err != nil {
			break // further than limbs go: what was reached stands
		}
		doc = next
	}
	return doc, nil
}

// widthOf is how far a crown reaches across, cm: the wider of east to west and north to south.
func widthOf(m *limb.Map) float64 {
	lo, hi := limb.Vec{X: math.Inf(1), Y: math.Inf(1)}, limb.Vec{X: math.Inf(-1), Y: math.Inf(-1)}
	for i := range m.Axes {
		for _, s := range []float64{0, 0.5, 1} {
			p := m.At(i, s*m.Axes[i].L)
			lo.X, lo.Y, hi.X, hi.Y = math.Min(lo.X, p.X), math.Min(lo.Y, p.Y), math.Max(hi.X, p.X), math.Max(hi.Y, p.Y)
		}
	}
	return math.Max(hi.X-lo.X, hi.Y-lo.Y)
}

// stretched is a tree made higher and wider by these factors. A trunk that was cut keeps its length: what grows from it takes all.
func stretched(m *limb.Map, doc limb.Doc, height, high, wide float64) limb.Doc {
	out := doc
	out.Limbs = append([]limb.Limb{}, doc.Limbs...)
	stands := 0.0 // the height of a cut trunk
	if a := &m.Axes[0]; doc.Limbs[0].Parent == "" && doc.Limbs[0].Tip == limb.Cut {
		stands = m.At(0, a.L).Z
		if top := m.Height(); top > stands && height > stands {
			high = (height - stands) / (top - stands)
		}
	}
	longer := map[string]float64{}
	for i := range out.Limbs {
		l := &out.Limbs[i]
		if l.Parent == "" && stands > 0 {
			longer[l.ID] = 1
			continue
		}
		a0, a1 := *l.AngleBaseDeg, *l.AngleTipDeg
		mid := (a0 + a1) / 2
		by := math.Hypot(sinDeg(mid)*wide, cosDeg(mid)*high)
		longer[l.ID] = by
		l.AngleBaseDeg, l.AngleTipDeg = limb.Of(turned(a0, wide, high)), limb.Of(turned(a1, wide, high))
		l.LengthCM = limb.Of(to3(*l.LengthCM * by))
		if f, ok := longer[l.Parent]; ok {
			l.AttachCM = limb.Of(to3(*l.AttachCM * f))
		}
		rings := make([]float64, len(l.RingsCM))
		for k, r := range l.RingsCM {
			rings[k] = math.Round(r*by*100) / 100
		}
		l.RingsCM = rings
		marks := append([]limb.Mark{}, l.Marks...)
		for k := range marks {
			marks[k].AtCM = to3(marks[k].AtCM * by)
		}
		if len(marks) > 0 {
			l.Marks = marks
		}
	}
	return out
}

// turned is an angle from the vertical after its run and rise grew by these factors, degrees.
func turned(a, wide, high float64) float64 {
	return to3(math.Atan2(sinDeg(a)*wide, cosDeg(a)*high) * 180 / math.Pi)
}

func to3(x float64) float64 { return math.Round(x*1000) / 1000 }
