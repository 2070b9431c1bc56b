package paper

import (
	"math"

	"codeberg.org/go-pdf/fpdf"

	"vertumna/orchard"
	"vertumna/words"
)

// box is a place on the page, mm.
type box struct{ x, y, w, h float64 }

func (b box) overlaps(o box) bool {
	return b.x < o.x+o.w && o.x < b.x+b.w && b.y < o.y+o.h && o.y < b.y+b.h
}

// Widths of lines and wood, mm. Nothing is thinner than what a copier keeps.
const (
	hairline = 0.2
	outline  = 0.3
	leastRad = 0.22
	labelW   = 5.2
	labelH   = 4.2
)

// drawing lays a tree into a box: wood that stays black, wood that goes hollow, the places of the cuts numbered.
type drawing struct {
	pdf     *fpdf.Fpdf
	in      box
	view    view
	above   bool
	mm      float64 // of paper a cm of tree
	x0, y0  float64 // of the stem's foot on the page
	labels  []box
	reachCM float64
	speaker words.Speaker
}

// tree draws it. Limbs: carriers before what they carry.
func (d *drawing) tree(limbs []orchard.DrawnLimb, steps []orchard.StepBody) {
	d.fit(limbs)
	if !d.above {
		d.scale()
	} else {
		d.compass()
	}
	for _, p := range piecesOf(limbs, goesFrom(limbs, steps), d.view) {
		d.wood(p)
	}
	byID := map[string]*orchard.DrawnLimb{}
	for i := range limbs {
		byID[limbs[i].ID] = &limbs[i]
	}
	seen := map[string]bool{}
	for i := range steps {
		s := &steps[i]
		if l := byID[s.Cut.Limb]; l != nil && !seen[s.Mark] {
			seen[s.Mark] = true
			d.cut(along(l, s.Cut.AtCM), s.Mark)
		}
	}
}

// fit finds the scale: the whole tree and, from the side, the ground and the line of reach are in the box.
func (d *drawing) fit(limbs []orchard.DrawnLimb) {
	left, right, low, high := 0.0, 0.0, 0.0, 0.0
	for i := range limbs {
		for k := range stations(&limbs[i]) {
			p, _ := station(&limbs[i], k)
			x, y := dot(p, d.view.right), dot(p, d.view.up)
			left, right, low, high = math.Min(left, x), math.Max(right, x), math.Min(low, y), math.Max(high, y)
		}
	}
	if !d.above {
		high = math.Max(high, d.reachCM+15)
	}
	const margin = 6
	w, h := math.Max(60, right-left), math.Max(60, high-low)
	d.mm = math.Min((d.in.w-2*margin-8)/w, (d.in.h-2*margin)/h)
	d.x0 = d.in.x + d.in.w/2 + 3 - (left+right)/2*d.mm
	d.y0 = d.in.y + d.in.h - margin + low*d.mm
	if d.above {
		d.x0 = d.in.x + d.in.w/2 - (left+right)/2*d.mm
		d.y0 = d.in.y + d.in.h/2 + (low+high)/2*d.mm
	}
}

func (d *drawing) at(p vec) (x, y float64) {
	return d.x0 + dot(p, d.view.right)*d.mm, d.y0 - dot(p, d.view.up)*d.mm
}

// scale draws the ground, marks of height, and the line of reach.
func (d *drawing) scale() {
	p := d.pdf
	p.SetDrawColor(0, 0, 0)
	p.SetTextColor(0, 0, 0)
	p.SetLineWidth(0.4)
	p.Line(d.in.x, d.y0, d.in.x+d.in.w, d.y0)
	p.SetLineWidth(hairline)
	p.SetFont("text", "", 6)
	top := (d.y0 - d.in.y - 2) / d.mm
	step, says := d.speaker.HeightMarks()
	for cm := step; cm < top; cm += step {
		y := d.y0 - cm*d.mm
		p.Line(d.in.x+7, y, d.in.x+9, y)
		p.Text(d.in.x, y+0.8, says(cm))
	}
	if d.reachCM > 0 {
		y := d.y0 - d.reachCM*d.mm
		p.SetDashPattern([]float64{2, 1.2}, 0)
		p.SetLineWidth(outline)
		p.Line(d.in.x+9, y, d.in.x+d.in.w, y)
		p.SetDashPattern(nil, 0)
		p.SetFont("bold", "", 6.5)
		says := "reach " + d.speaker.Height(d.reachCM)
		p.Text(d.in.x+d.in.w-p.GetStringWidth(says), y-0.8, says)
	}
}

// compass says where north is.
func (d *drawing) compass() {
	p := d.pdf
	x, y := d.in.x+d.in.w/2, d.in.y+1
	p.SetFont("bold", "", 7)
	p.Text(x-1, y+2, "N")
	p.SetLineWidth(hairline)
	p.Line(x, y+3, x, y+5.5)
}

// wood draws a stretch, as thick as it is.
func (d *drawing) wood(w piece) {
	ax, ay := d.at(w.a)
	bx, by := d.at(w.b)
	ra, rb := math.Max(leastRad, w.ra*d.mm), math.Max(leastRad, w.rb*d.mm)
	dx, dy := bx-ax, by-ay
	l := math.Hypot(dx, dy)
	p := d.pdf
	p.SetDrawColor(0, 0, 0)
	p.SetFillColor(0, 0, 0)
	if l < 0.05 {
		if !w.goes {
			p.Circle(ax, ay, ra, "F")
		}
		return
	}
	nx, ny := -dy/l, dx/l
	side := []fpdf.PointType{{X: ax + nx*ra, Y: ay + ny*ra}, {X: bx + nx*rb, Y: by + ny*rb}, {X: bx - nx*rb, Y: by - ny*rb}, {X: ax - nx*ra, Y: ay - ny*ra}}
	if !w.goes {
		p.Polygon(side, "F")
		return
	}
	p.SetLineWidth(hairline)
	if ra < 2*leastRad { // too thin to be hollow: dotted
		p.SetDashPattern([]float64{0.7, 0.7}, 0)
		p.Line(ax, ay, bx, by)
		p.SetDashPattern(nil, 0)
		return
	}
	p.SetFillColor(255, 255, 255)
	p.Polygon(side, "FD")
}

// cut marks a place with its number, beside the wood and clear of the other numbers.
func (d *drawing) cut(at vec, mark string) {
	x, y := d.at(at)
	p := d.pdf
	best := box{x + 4, y - labelH/2, labelW, labelH}
search:
	for ring := 5.0; ring < 26; ring += 3 {
		for k := range 12 {
			s, c := math.Sincos(float64(k) * math.Pi / 6)
			try := box{x + ring*c - labelW/2, y - ring*s - labelH/2, labelW, labelH}
			inside := try.x >= d.in.x && try.x+try.w <= d.in.x+d.in.w && try.y >= d.in.y && try.y+try.h <= d.in.y+d.in.h
			if inside && !d.taken(try) {
				best = try
				break search
			}
		}
	}
	d.labels = append(d.labels, best)
	p.SetDrawColor(0, 0, 0)
	p.SetLineWidth(outline)
	p.Line(x, y, best.x+best.w/2, best.y+best.h/2)
	p.SetFillColor(255, 255, 255)
	p.Circle(x, y, 0.8, "FD")
	p.SetFillColor(0, 0, 0)
	p.Rect(best.x, best.y, best.w, best.h, "F")
	p.SetTextColor(255, 255, 255)
	p.SetFont("bold", "", 8)
	p.Text(best.x+(best.w-p.GetStringWidth(mark))/2, best.y+3.2, mark)
	p.SetTextColor(0, 0, 0)
}

func (d *drawing) taken(b box) bool {
	for _, o := range d.labels {
		if b.overlaps(o) {
			return true
		}
	}
	return false
}
