package paper

import (
	"fmt"

	"vertumna/core/almanac"
)

// Sizes of the rings of the gauge, mm.
var rings = []float64{10, 12, 14, 15, 16, 18, 19, 20, 22, 24, 25, 28, 30, 35, 40, 45, 50, 60, 70}

// Gauge prints rings to cut out and hold to a fruit, to scale, with a bar that checks the printer. Error: given.Fault for a size that is none.
func Gauge(size, units string, printed almanac.Day) ([]byte, error) {
	if err := CheckSize(size); err != nil {
		return nil, err
	}
	p := newPage(size, "Ring gauge", units, printed)
	pdf := p.pdf
	pdf.AddPage()
	p.font("head", 17)
	pdf.CellFormat(p.w, 8, "Ring gauge", "", 1, "L", false, 0, "")
	p.para("text", 9, "Print at full size, no fitting to the page. First hold a ruler to the bar: it is "+p.trueBar()+" on a true print. Glue the page on card, cut the rings out, and slip them over the fruit at its widest: the smallest that passes is its size.")
	pdf.SetY(pdf.GetY() + 2)
	p.bar(margin, pdf.GetY())
	x, y, row := float64(margin), pdf.GetY()+8, 0.0
	const gap, under = 4, 5
	for _, d := range rings {
		if x+d > margin+p.w {
			x, y, row = margin, y+row+gap+under, 0
		}
		pdf.SetLineWidth(outline)
		pdf.Circle(x+d/2, y+d/2, d/2, "D")
		p.font("bold", 8)
		says := fmt.Sprintf("%.0f mm", d)
		if p.speaker.Units == "us" {
			says = fmt.Sprintf("%.0f mm, %s", d, p.speaker.Amount(d, "mm"))
		}
		if wide := pdf.GetStringWidth(says); wide < d {
			pdf.Text(x+(d-wide)/2, y+d/2+1, says)
		} else {
			pdf.Text(x, y+d+3.6, says)
		}
		x, row = x+max(d, 14)+gap, max(row, d)
	}
	return p.bytes()
}
