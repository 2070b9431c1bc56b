package cut

import (
	"math"

	"vertumna/core/find"
	"vertumna/core/limb"
	"vertumna/core/pomology"
)

// judge weighs one place.
func (j *Judge) judge(i int, p spot, q Question) (Candidate, bool) {
	a := &j.m.Axes[i]
	c := Candidate{CutAt: limb.CutAt{Limb: a.ID, Kind: p.kind, AtCM: p.at, ToCM: p.to, Fraction: p.fraction}}
	switch {
	case p.kind == limb.FruitBud:
		c.Bud = limb.Spur
	case p.node != nil:
		c.Bud, c.Class = p.node.Kind, p.node.Class
	}
	c.DMM = j.m.Diameter(i, p.at)
	if p.kind == limb.Collar {
		c.DMM = a.D
	}
	c.Share = j.m.ShareOf(c.CutAt)
	c.Score = base[q.Aim][p.kind]
	if p.kind == limb.SpurThin {
		c.DMM = 0
	}
	j.cost(&c, i, p)
	j.say(&c, i, p)
	j.common(&c, i, p, q)
	switch p.kind {
	case limb.SideBranch:
		j.toSide(&c, i, p, q)
	case limb.AboveBud:
		j.toBud(&c, i, p, q)
	case limb.FruitBud:
		j.toFruitBud(&c, i, q)
	case limb.FiveLeaves:
		c.points("season", j.bySeason(15))
	case limb.SpurBack:
		c.points("season", -j.bySeason(15))
	}
	j.sick(&c, i, p)
	c.round()
	return c, true
}

// namedFollows puts the cut back to a named young shoot before a stub that has yet to sprout (our estimate).
const namedFollows = 40

// plainHeightCut puts a height cut to a bud just under one to a side branch (reach.md#height).
const plainHeightCut = 20

// round keeps what a caliper and a tape can tell, so that equals are equal.
func (c *Candidate) round() {
	c.Score, c.DMM, c.Share = math.Round(c.Score*100)/100, math.Round(c.DMM*10)/10, math.Round(c.Share*1e4)/1e4
}

func (j *Judge) summer() bool { return j.m.Season == limb.Summer }

// bySeason is for in summer, against while dormant.
func (j *Judge) bySeason(x float64) float64 {
	if j.summer() {
		return x
	}
	return -x
}

// points moves the score, with the reason.
func (c *Candidate) points(rule string, x float64) {
	if x != 0 {
		c.Score += x
		c.Reasons = append(c.Reasons, Reason{Rule: rule, Points: x})
	}
}

func (j *Judge) cost(c *Candidate, i int, p spot) {
	switch p.kind {
	case limb.Notch:
	case limb.SpurThin:
		w0, a0 := j.buds(i, p.at)
		w1, a1 := j.buds(i, p.to)
		c.BudsWithin, c.BudsAbove = p.fraction*(w0-w1), p.fraction*(a0-a1)
	default:
		c.BudsWithin, c.BudsAbove = j.lost(i, p.at, p.lossFrom)
		c.GainCM = j.gain(i, p.at)
	}
	d := c.DMM
	if p.kind == limb.SpurThin {
		d = j.m.Diameter(i, p.at)
	}
	c.FruitWithin = j.m.Kind.Carried(c.BudsWithin, pomology.Section(d))
	j.time(c, i)
	if p.kind == limb.SpurThin {
		c.Tool, c.ThreeStep = HandPruner, false
		spurs := 0.0
		for _, s := range j.m.Axes[i].Spurs {
			if math.Abs(s.FromCM-p.at) < 0.1 {
				spurs = s.Count * p.fraction
			}
		}
		c.Minutes = 0.5 + 0.05*spurs
	}
}

// say tells what the cut is.
func (j *Judge) say(c *Candidate, i int, p spot) {
	switch r := (Reason{Rule: string(p.kind)}); p.kind {
	case limb.SideBranch:
		r.Text = j.m.Axes[p.side].ID
		c.Reasons = append(c.Reasons, r)
	case limb.FruitBud:
		r.Value = p.depth
		c.Reasons = append(c.Reasons, r)
	default:
		c.Reasons = append(c.Reasons, r)
	}
	if j.m.Axes[i].Depth == 1 {
		c.Reasons = append(c.Reasons, Reason{Rule: "main-limb"})
	}
}

// common are the adjustments of every kind.
func (j *Judge) common(c *Candidate, i int, p spot, q Question) {
	a := &j.m.Axes[i]
	if c.Share > 0.10 {
		c.points("takes-much", -100*(c.Share-0.10))
	}
	switch {
	case c.DMM > sawMM:
		c.points("huge-wound", -30)
	case c.DMM > BigWoundMM:
		c.points("big-wound", -10)
	}
	if p.kind == limb.Collar && a.Depth == 1 {
		c.points("main-limb-goes", -15)
	}
	if j.m.Has(i, limb.Favour) {
		c.points("favoured", -30)
	}
	if j.leads(i) && q.Aim != find.Sound && q.Aim != find.Extend {
		c.points("leader", -20)
	}
	upright := p.kind == limb.AboveBud || p.kind == limb.TipThird || p.kind == limb.FruitBud
	if upright && !j.summer() && j.m.Theta(i, p.at) <= 30 && q.Aim != find.Extend {
		c.points("strong-regrowth", -10)
	}
	if stone(j.m) && q.DrySummerStone && !j.summer() && c.DMM >= 15 && q.Aim != find.Sound {
		c.points("wet-wood", -10)
	}
	if q.Aim != find.Sound && j.within > 0 {
		c.points("fruit-buds", -j.price*math.Min(20, 100*c.BudsWithin/j.within))
	}
}

func (j *Judge) toSide(c *Candidate, i int, p spot, q Question) {
	k := &j.m.Axes[p.side]
	c.Side, c.Ratio = k.ID, k.D/c.DMM
	calmer := q.Aim == find.Lower || q.Aim == find.Calm || q.Aim == find.Subdue
	if r := math.Min(1, c.Ratio); calmer {
		c.points("calmer", 10*(1-r))
	} else {
		c.points("follows-on", 10*r)
	}
	if q.Aim == find.Renew && j.follows(k.ID, j.m.Axes[i].ID) {
		c.points("successor", namedFollows)
	}
	_, out := j.m.Outward(p.side, j.m.Base(p.side))
	switch o := j.m.End(p.side).Sub(j.m.Base(p.side)).Dot(out) / k.L; {
	case j.toward(c, i, j.m.End(p.side).Sub(j.m.Base(p.side)), "side-wanted-way", "side-wrong-way"):
	case o >= 0.3:
		c.points("outward", 10)
	case o <= -0.3:
		c.points("inward", -25)
	}
	if q.Aim == find.Lower {
		if j.highest(p.side) <= j.reachCM {
			c.points("within-reach", 15)
		} else {
			c.points("above-reach", -20)
		}
	}
	if k.A0 > j.m.Theta(i, p.at)+10 {
		c.points("flatter", 5)
	}
	if j.m.MeanAngle(p.side) <= 20 {
		c.points("upright", -20)
	}
}

// What leads on where a person wants it is worth more than what merely leads outward. Our estimate.
const wantedWay = 30

// toward weighs where a bud or a side shoot looks against the bearing its limb is wanted to grow toward; false where none is.
func (j *Judge) toward(c *Candidate, i int, way limb.Vec, there, away string) bool {
	want := j.m.Axes[i].Toward
	flat := math.Hypot(way.X, way.Y)
	if want == nil || flat < 1e-9 {
		return false
	}
	sin, cos := math.Sincos(*want * math.Pi / 180)
	if points := wantedWay * (way.X*sin + way.Y*cos) / flat; points >= 0 {
		c.points(there, points)
	} else {
		c.points(away, points)
	}
	return true
}

func (j *Judge) toBud(c *Candidate, i int, p spot, q Question) {
	switch class := p.node.Class; {
	case class == limb.Under:
		c.points("bud-under", 5)
	case class == limb.Upper:
		c.points("bud-upper", -10)
	case j.toward(c, i, p.node.Facing, "bud-wanted-way", "bud-wrong-way"):
	case class == limb.Outward:
		c.points("bud-outward", 10)
	case class == limb.Inward:
		c.points("bud-inward", -25)
	}
	if !p.node.Sure {
		c.points("bud-unsure", -5)
	}
	if q.OldBuds && q.Aim == find.Lower {
		c.points("plain-height-cut", plainHeightCut)
	}
	if st, e := j.m.Axes[i].LastRing(); q.Aim == find.Extend {
		c.points("third", -60*math.Abs((p.node.At-st)/e-2.0/3))
	}
}

func (j *Judge) toFruitBud(c *Candidate, i int, q Question) {
	if q.Aim == find.Lower {
		if j.leaves(i, c.AtCM) <= j.reachCM {
			c.points("within-reach", 15)
		} else {
			c.points("above-reach", -20)
		}
	}
	if j.summer() {
		c.points("summer", 10)
		if c.BudsWithin < 0.5 {
			c.points("costs-no-bud", 15)
		}
	}
}

// leaves is the highest point a cut leaves of a limb and its side limbs.
func (j *Judge) leaves(i int, at float64) float64 {
	top := j.rises(i, at)
	for _, c := range j.m.Axes[i].Children {
		if j.m.Axes[c].Attach < at {
			top = math.Max(top, j.highest(c))
		}
	}
	return top
}

// sick tells what sick wood asks of the work. A cut part of the way takes the limb's own marks; a whole limb all it carries.
func (j *Judge) sick(c *Candidate, i int, p spot) {
	limbs := []int{i}
	if p.at <= 0 {
		limbs = j.m.Subtree(i)
	}
	for _, k := range limbs {
		for _, m := range j.m.Axes[k].Marks {
			switch {
			case m.Kind == limb.Diseased:
				c.CleanTool, c.OffPlot = true, true
				c.DryWeather = c.DryWeather || m.Agent == "blight"
			case m.Kind == limb.Borer:
				c.OffPlot = true
			}
		}
	}
}
