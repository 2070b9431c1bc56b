package cut

import (
	"math"
	"slices"

	"vertumna/core/find"
	"vertumna/core/given"
	"vertumna/core/limb"
	"vertumna/core/pomology"
	"vertumna/core/training"
)

// TopBud is the bud that a cut leaves on top: where it stands and how it faces.
type TopBud struct {
	AtCM    float64
	Kind    limb.BudKind
	Class   limb.Class
	Bearing float64 // compass, degrees, seen from above
	Rise    float64 // -1 down to 1 up
	Sure    bool
}

// TopBud finds the bud that a heading cut leaves on top; ok is false for cuts that leave none.
func (j *Judge) TopBud(c limb.CutAt) (TopBud, bool) {
	i := j.m.Index(c.Limb)
	if !c.Kind.EndsAtBud() {
		return TopBud{}, false
	}
	best, ok := limb.Node{At: math.Inf(-1)}, false
	for ring := range j.m.Axes[i].Rings {
		for _, n := range j.nodes(i, ring) {
			if n.N > 0 && n.At <= c.AtCM && n.At > best.At {
				best, ok = n, true
			}
		}
	}
	if !ok {
		return TopBud{}, false
	}
	f := best.Facing
	return TopBud{best.At, best.Kind, best.Class, math.Mod(math.Atan2(f.X, f.Y)*180/math.Pi+360, 360), f.Z, best.Sure}, true
}

// Hazard is what stands near a cut that the work must heed.
type Hazard string

// The hazards.
const (
	OverPath      Hazard = "over-path"
	NearPowerLine Hazard = "near-power-line"
	OnTheWall     Hazard = "over-wall"
)

// powerLineCM is how near a line the wood of a cut may be before the network's owner is asked; the usual rule of thumb.
const powerLineCM = 300

// Hazards tells what the wood of a cut hangs over or comes near.
func (j *Judge) Hazards(c limb.CutAt, yard find.Yard) []Hazard {
	i := j.m.Index(c.Limb)
	path, wall, line := false, false, false
	look := func(p limb.Vec) {
		for _, y := range yard.Paths {
			path = path || limb.InPolygon(y.Polygon, p.X, p.Y)
		}
		for _, y := range yard.Walls {
			wall = wall || p.Z > y.TopCM && limb.InPolygon(y.Polygon, p.X, p.Y)
		}
		for _, l := range yard.PowerLines {
			line = line || nearLine(l, p) <= powerLineCM
		}
	}
	for _, k := range j.m.Subtree(i) {
		if k != i && !j.reaches(c, i, k, 0) {
			continue
		}
		from := 0.0
		if k == i {
			from = math.Max(0, c.AtCM)
		}
		for s := from; s <= j.m.Axes[k].L; s += 10 {
			look(j.m.At(k, s))
		}
	}
	var out []Hazard
	for _, h := range []struct {
		is   bool
		what Hazard
	}{{path, OverPath}, {wall, OnTheWall}, {line, NearPowerLine}} {
		if h.is {
			out = append(out, h.what)
		}
	}
	return out
}

// nearLine is how far a place stands from a line in plan, cm: at what height it hangs is not known.
func nearLine(line [][2]float64, p limb.Vec) float64 {
	best := math.Inf(1)
	for k := 1; k < len(line); k++ {
		ax, ay, bx, by := line[k-1][0], line[k-1][1], line[k][0], line[k][1]
		dx, dy := bx-ax, by-ay
		t := 0.0
		if l := dx*dx + dy*dy; l > 0 {
			t = math.Max(0, math.Min(1, ((p.X-ax)*dx+(p.Y-ay)*dy)/l))
		}
		best = math.Min(best, math.Hypot(p.X-ax-t*dx, p.Y-ay-t*dy))
	}
	return best
}

// GraftWood names the limbs a slip takes off that make grafting wood, as the tree's training has it.
func (p *Planner) GraftWood(s *Slip) []string {
	if p.summer() {
		return nil
	}
	off := map[string]bool{}
	for i := range p.m.Axes {
		start, _ := p.m.Axes[i].LastRing()
		off[p.m.Axes[i].ID] = !p.fromRoots(i) && slices.ContainsFunc(s.Cuts, func(c Step) bool {
			return c.Step > sickStep && p.reaches(c.CutAt, p.m.Index(c.Limb), i, start)
		})
	}
	ask := given.New[training.GraftWood]()
	ask.Stone, ask.Shoots = p.m.Kind.Group == pomology.Stone, training.GraftShoots(p.m, p.light, off)
	if len(ask.Shoots) == 0 {
		return nil
	}
	got, err := training.CutGraftWood(ask)
	if err != nil {
		return nil
	}
	var out []string
	for _, f := range got.Fit {
		out = append(out, f.ID)
	}
	return out
}

// fromRoots: a sucker is not the cultivar.
func (p *Planner) fromRoots(i int) bool {
	return p.m.Axes[i].Sucker || p.finding(find.Sucker, p.m.Axes[i].ID) != nil
}

// Runners are the other cuts of the same limb that would do as well for what a step solves, the best first.
func (p *Planner) Runners(c *Step) []Candidate {
	var out []Candidate
	for k, f := range p.findings {
		if len(c.Solves) == 0 || KeyOf(f) != KeyOf(c.Solves[0]) {
			continue
		}
		for _, o := range p.ask(Question{Limb: c.Limb, Aim: c.Aim}) {
			if o.CutAt != c.CutAt && o.Kind != limb.Notch && slices.Contains(o.solves, k) && len(out) < mostRunners {
				out = append(out, o.Candidate)
			}
		}
	}
	return out
}

const mostRunners = 3

// BudsWithin are the tree's fruit buds within reach before the slip.
func (p *Planner) BudsWithin() float64 { return p.within }

// WhyNot answers why a limb is not on the slip: what was found on it and what became of each finding; none: nothing was.
func (s *Slip) WhyNot(id string) (cuts []Step, waits []Carried) {
	on := func(f find.Finding) bool {
		if f.Limb == id {
			return true
		}
		for _, m := range f.Members {
			if m == id {
				return true
			}
		}
		return false
	}
	for _, c := range s.Cuts {
		for _, f := range c.Solves {
			if on(f) || c.Limb == id {
				cuts = append(cuts, c)
				break
			}
		}
	}
	for _, c := range append(append([]Carried{}, s.Carried...), s.LookFirst...) {
		if on(c.Finding) {
			waits = append(waits, c)
		}
	}
	return cuts, waits
}

// GoesWith finds the step that takes a limb along as a whole.
func (p *Planner) GoesWith(s *Slip, id string) (step int, ok bool) {
	i := p.m.Index(id)
	for k := range s.Cuts {
		if c := &s.Cuts[k]; c.Limb != id && p.reaches(c.CutAt, p.m.Index(c.Limb), i, 0) {
			return k, true
		}
	}
	return 0, false
}

// Held says whether a limb is kept, protected or tied.
func (p *Planner) Held(id string) bool { return p.held(p.m.Index(id)) }
