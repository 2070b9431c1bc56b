package orchard

import (
	"context"
	"math"

	"vertumna/core/almanac"
	"vertumna/core/light"
	"vertumna/core/limb"
	"vertumna/core/training"
	"vertumna/core/yard"
	"vertumna/core/year"
	"vertumna/store"
)

// YardLightBody is the yard in light: the growing season's sun over the ground, and who shades whom.
type YardLightBody struct {
	X0    float64         `json:"x0" doc:"metres, west edge of the first spot"`
	Y0    float64         `json:"y0" doc:"metres, south edge of the first spot"`
	Step  float64         `json:"step_m"`
	NX    int             `json:"nx"`
	NY    int             `json:"ny"`
	Hours []float64       `json:"hours" nullable:"false" doc:"of sun a day at 1 m above the ground, row by row from the south"`
	Trees []TreeLightBody `json:"trees" nullable:"false"`
	Beds  []BedLightBody  `json:"beds" nullable:"false"`
	Keep  float64         `json:"keep" doc:"the part of full light a neighbour should keep"`
	Far   []string        `json:"far" nullable:"false" doc:"codes of trees that stand too far from the rest to be reckoned with"`
}

// TreeLightBody is one tree's light.
type TreeLightBody struct {
	ID     string      `json:"id"`
	Code   string      `json:"code"`
	X      float64     `json:"x"`
	Y      float64     `json:"y"`
	Light  float64     `json:"light" doc:"of full light on its leaf, its own shade left out"`
	Hours  float64     `json:"sun_hours" doc:"a day"`
	Means  string      `json:"means"`
	Own    float64     `json:"own_hours,omitempty" doc:"the person's own count; 0: none"`
	Beside string      `json:"beside,omitempty" doc:"own count and computed hours side by side"`
	Shades []ShadeBody `json:"shaded_by" nullable:"false" doc:"the most first"`
	Height float64     `json:"height_m"`
	CapM   float64     `json:"cap_m" doc:"for its neighbours' light; 0: nobody binds it"`
	CapWhy string      `json:"cap_why,omitempty"`
	Binds  string      `json:"binds,omitempty" doc:"the lowest of reach, rule of thumb and light, and how far the tree stands over it"`
	RuleM  float64     `json:"rule_m" doc:"nine tenths of the distance to the nearest tree or of the row distance; 0: none"`
}

// ShadeBody is a part of a tree's light that something takes.
type ShadeBody struct {
	By    string  `json:"by"`
	ID    string  `json:"id,omitempty" doc:"of a tree"`
	Share float64 `json:"share"`
}

// BedLightBody is the sun on a bed.
type BedLightBody struct {
	Name  string  `json:"name"`
	Hours float64 `json:"sun_hours"`
}

// Numbers of the layer.
const (
	spotM      = 0.5
	spotCM     = 100 // above the ground
	bedCM      = 20
	mostSpots  = 6000
	toldShades = 4
)

// Light is the yard in light over the growing season, worked out once for a plan.
func (k *Keeper) Light(ctx context.Context, p *Planned) (*YardLightBody, error) {
	return k.yardLights.of(p.key, func() (*YardLightBody, error) { return k.yardLight(context.WithoutCancel(ctx), p) })
}

func (k *Keeper) yardLight(ctx context.Context, p *Planned) (*YardLightBody, error) {
	y, err := k.yardStanding(ctx, p, "", nil)
	if err != nil {
		return nil, err
	}
	out := &YardLightBody{Trees: []TreeLightBody{}, Beds: []BedLightBody{}, Keep: light.KeepLight, Far: append([]string{}, y.Far...)}
	lat := p.Yard.Place.Site.Lat
	out.ground(p, y)
	spots := make([]limb.Vec, 0, out.NX*out.NY)
	for j := range out.NY {
		for i := range out.NX {
			spots = append(spots, y.At(out.X0+(float64(i)+0.5)*out.Step, out.Y0+(float64(j)+0.5)*out.Step, spotCM))
		}
	}
	beds, first := bedSpots(p, y), len(spots)
	for _, b := range beds {
		spots = append(spots, b.at...)
	}
	hours := y.Grid.SunHours(spots, lat, light.Coarse)
	for _, h := range hours[:first] {
		out.Hours = append(out.Hours, round1(h))
	}
	at := first
	for _, b := range beds {
		sum := 0.0
		for range b.at {
			sum += hours[at]
			at++
		}
		out.Beds = append(out.Beds, BedLightBody{b.name, round1(sum / float64(len(b.at)))})
	}
	out.trees(p, y, y.Shader.Shade(lat, light.Coarse))
	return out, nil
}

// yardStanding is what light meets in the yard on the day shown, one tree left out.
func (k *Keeper) yardStanding(ctx context.Context, p *Planned, without string, round *yard.Point) (*yard.Lit, error) {
	return k.standing(ctx, p.Contents, p.Yard, p.Shown.Shown, without, round)
}

// giveCaps works out how high trees may stand for their neighbours' light, where a school holds one by it. Cost: the caps of the
// yard, once while nothing of the orchard changes.
func (k *Keeper) giveCaps(ctx context.Context, c *store.Contents) error {
	if c.Orchard.Site == nil {
		return nil
	}
	planned, err := c.Yard(k.today())
	if err != nil || !planned.HeldByLight() {
		return err
	}
	y, err := k.standing(ctx, c, planned, k.today(), "", nil)
	if err != nil {
		return err
	}
	c.LightCapsM = map[string]float64{}
	for o, limit := range y.Shader.Shade(planned.Place.Site.Lat, light.Coarse).Caps(y.Heights, light.KeepLight) {
		if o < len(y.Trees) && limit.Binds >= 0 {
			c.LightCapsM[y.Trees[o].ID] = math.Max(leastHeldM, math.Round(limit.CM)/100)
		}
	}
	return nil
}

// leastHeldM: no neighbour asks a tree to be lower than this (our estimate).
const leastHeldM = 1.2

// standing is what light meets in a yard on a day, one tree left out, round a spot or the middle of its trees. A tree whose map cannot be
// read stands as a crown of its size.
func (k *Keeper) standing(ctx context.Context, c *store.Contents, y *year.Yard, day almanac.Day, without string, round *yard.Point) (*yard.Lit, error) {
	marks, err := k.store.MapsAsOf(ctx, c.Orchard.ID, day)
	if err != nil {
		return nil, err
	}
	maps, trees := map[string]*limb.Map{}, make([]year.Tree, 0, len(y.Trees))
	for i := range y.Trees {
		t := y.Trees[i]
		if t.ID == without {
			continue
		}
		trees = append(trees, t)
		if mark, mapped := marks[t.ID]; mapped {
			if m, err := k.checked(ctx, t.ID, mark); err == nil {
				maps[t.ID] = m
			}
		}
	}
	return plotOf(c).Light(trees, maps, day, round), nil
}

// SpotLightBody is the sun on a spot of the plot, before anything is planted there.
type SpotLightBody struct {
	X     float64 `json:"x"`
	Y     float64 `json:"y"`
	Hours float64 `json:"sun_hours" doc:"a day over the growing season, at 1 m above the ground"`
	Means string  `json:"means" doc:"for form, distance and crop"`
}

// SpotLight is the sun on a spot: the mean of its middle and half a metre to each side, where a young crown will stand.
func (k *Keeper) SpotLight(ctx context.Context, p *Planned, x, yy float64, without string) (*SpotLightBody, error) {
	y, err := k.yardStanding(ctx, p, without, &yard.Point{X: x, Y: yy})
	if err != nil {
		return nil, err
	}
	var at []limb.Vec
	for _, d := range [][2]float64{{0, 0}, {spotM, 0}, {-spotM, 0}, {0, spotM}, {0, -spotM}} {
		at = append(at, y.At(x+d[0], yy+d[1], spotCM))
	}
	sum := 0.0
	for _, h := range y.Grid.SunHours(at, p.Yard.Place.Site.Lat, light.Coarse) {
		sum += h
	}
	hours := sum / float64(len(at))
	return &SpotLightBody{X: x, Y: yy, Hours: round1(hours), Means: p.Speaker.SunMeans(hours)}, nil
}

// ground is the plot's rectangle in spots: its outline, else the trees and some room.
func (b *YardLightBody) ground(p *Planned, y *yard.Lit) {
	var points [][2]float64
	for _, c := range p.Contents.Orchard.Plot.Outline {
		points = append(points, [2]float64{c.X, c.Y})
	}
	if len(points) == 0 {
		for _, t := range y.Trees {
			points = append(points, [2]float64{t.X - 1, t.Y - 1}, [2]float64{t.X + 1, t.Y + 1})
		}
	}
	lo, hi := limb.Box(points)
	b.Step = spotM
	half := y.Near.Half / 100
	for k, middle := range [2]float64{y.Middle.X, y.Middle.Y} {
		lo[k], hi[k] = math.Max(lo[k], middle-half), math.Min(hi[k], middle+half)
	}
	if lo[0] > hi[0] || lo[1] > hi[1] {
		return
	}
	for (hi[0]-lo[0])/b.Step*(hi[1]-lo[1])/b.Step > mostSpots {
		b.Step *= 2
	}
	b.X0, b.Y0 = lo[0], lo[1]
	b.NX, b.NY = int(math.Ceil((hi[0]-lo[0])/b.Step)), int(math.Ceil((hi[1]-lo[1])/b.Step))
}

type bedAt struct {
	name string
	at   []limb.Vec
}

// bedSpots are spots over the beds, which want light as well.
func bedSpots(p *Planned, y *yard.Lit) []bedAt {
	var out []bedAt
	for _, f := range p.Contents.Orchard.Plot.Features {
		if f.Kind != "bed" || len(f.Points) < 3 {
			continue
		}
		var corners [][2]float64
		lo, hi := f.Points[0], f.Points[0]
		for _, c := range f.Points {
			corners = append(corners, [2]float64{c.X, c.Y})
			lo.X, lo.Y, hi.X, hi.Y = math.Min(lo.X, c.X), math.Min(lo.Y, c.Y), math.Max(hi.X, c.X), math.Max(hi.Y, c.Y)
		}
		b := bedAt{name: f.Name}
		if b.name == "" {
			b.name = "bed"
		}
		half := y.Near.Half / 100
		lo.X, lo.Y = math.Max(lo.X, y.Middle.X-half), math.Max(lo.Y, y.Middle.Y-half)
		hi.X, hi.Y = math.Min(hi.X, y.Middle.X+half), math.Min(hi.Y, y.Middle.Y+half)
		if lo.X > hi.X || lo.Y > hi.Y {
			continue
		}
		step := math.Max(spotM, math.Sqrt((hi.X-lo.X)*(hi.Y-lo.Y)/mostSpots))
		for x := lo.X + step/2; x < hi.X; x += step {
			for yy := lo.Y + step/2; yy < hi.Y; yy += step {
				if limb.InPolygon(corners, x, yy) {
					b.at = append(b.at, y.At(x, yy, bedCM))
				}
			}
		}
		if len(b.at) == 0 {
			b.at = append(b.at, y.At((lo.X+hi.X)/2, (lo.Y+hi.Y)/2, bedCM))
		}
		out = append(out, b)
	}
	return out
}

func (b *YardLightBody) trees(p *Planned, y *yard.Lit, s light.Shading) {
	caps := s.Caps(y.Heights, light.KeepLight)
	counted := map[string]float64{} // by the person, by tree
	for i := range p.Contents.Trees {
		counted[p.Contents.Trees[i].ID] = p.Contents.Trees[i].SunHours
	}
	for o, t := range y.Trees {
		own := counted[t.ID]
		body := TreeLightBody{
			ID: t.ID, Code: t.Code, X: t.X, Y: t.Y, Light: math.Round(100*s.Without[o]) / 100, Hours: round1(s.SunHours[o]), Means: p.Speaker.SunMeans(s.SunHours[o]),
			Own: own, Beside: p.Speaker.SunBeside(own, s.SunHours[o]),
			Shades: []ShadeBody{}, Height: math.Round(y.Heights[o]) / 100, RuleM: yard.RowRuleM(p.Contents.Orchard.Plot.RowDistance, t, y.Trees),
		}
		for a, lost := range s.Lost[o] {
			if a == o || lost < 0.005 {
				continue
			}
			shade := ShadeBody{By: y.Names[a], Share: math.Round(1000*lost) / 1000}
			if a < len(y.Trees) {
				shade.ID = y.Trees[a].ID
			}
			body.Shades = insertShade(body.Shades, shade)
		}
		if c := caps[o]; c.Binds >= 0 {
			body.CapM = math.Round(c.CM) / 100
			body.CapWhy = p.Speaker.HeightCap(body.CapM, y.Names[c.Binds], c)
		}
		if tp := p.treeShown(t.ID); tp != nil {
			if c, err := heightOf(body, tp.ReachM); err == nil { // distances past what the rule is for have none
				body.Binds = p.Speaker.HeightBinds(c)
			}
		}
		b.Trees = append(b.Trees, body)
	}
}

// heightOf is the lowest of what holds a tree's height.
func heightOf(t TreeLightBody, reachM float64) (training.Capped, error) {
	given := func(m float64) *float64 {
		if m <= 0 {
			return nil
		}
		return limb.Of(100 * m)
	}
	return training.CapHeight(training.HeightCap{
		Bounds:   training.Bounds{RowDistanceCM: given(t.RuleM / training.RowRule), LightCapCM: given(t.CapM), ReachCM: given(reachM)},
		HeightCM: given(t.Height),
	})
}

// insertShade keeps the shades that take most, the most first.
func insertShade(list []ShadeBody, s ShadeBody) []ShadeBody {
	at := 0
	for at < len(list) && list[at].Share >= s.Share {
		at++
	}
	list = append(list[:at:at], append([]ShadeBody{s}, list[at:]...)...)
	return list[:min(len(list), toldShades)]
}
