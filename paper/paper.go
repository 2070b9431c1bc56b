// Package paper prints: a page for each tree with its slip, the day's walk as a first page, the ring gauge. Black and white that a copier
// keeps, in A4 or Letter, fonts embedded, the same bytes for the same content. It works nothing out: what is printed is what the program says.
package paper

import (
	"bytes"
	_ "embed"
	"fmt"
	"math"
	"slices"
	"strings"
	"time"

	"codeberg.org/go-pdf/fpdf"
	qrcode "github.com/skip2/go-qrcode"

	"vertumna/core/almanac"
	"vertumna/core/given"
	"vertumna/orchard"
	"vertumna/words"
)

// Sizes of paper.
const (
	A4     = "a4"
	Letter = "letter"
)

// CheckSize refuses what is no size of paper here.
func CheckSize(size string) error {
	if size != A4 && size != Letter {
		return given.Fault{Code: "bad_size", Field: "size", Given: size, Expected: "a4 or letter"}
	}
	return nil
}

// Tree is what is printed of one tree.
type Tree struct {
	Orchard string // its name
	Address string // of the same tree in the program, for the square code; empty: none
	Bench   *orchard.BenchBody
	Slip    *orchard.SlipBody
	Marks   []orchard.BodyMarkBody
}

// Walk is the day's walk.
type Walk struct {
	Orchard string
	Sheet   *orchard.SheetBody
}

//go:embed fonts/text.ttf
var textFont []byte

//go:embed fonts/bold.ttf
var boldFont []byte

//go:embed fonts/head.ttf
var headFont []byte

// margin round a page, mm.
const margin = 11

// page writes down a document.
type page struct {
	pdf     *fpdf.Fpdf
	speaker words.Speaker
	w, h    float64 // inside the margins, mm
	printed almanac.Day
}

func newPage(size, title string, units string, printed almanac.Day) *page {
	pdf := fpdf.New("P", "mm", map[string]string{A4: "A4", Letter: "Letter"}[size], "")
	y, m, d := printed.Date()
	at := time.Date(y, time.Month(m), d, 0, 0, 0, 0, time.UTC)
	pdf.SetCreationDate(at)
	pdf.SetModificationDate(at)
	pdf.SetCatalogSort(true)
	pdf.SetTitle(title, true)
	pdf.SetProducer("Vertumna", true)
	pdf.SetMargins(margin, margin, margin)
	pdf.SetAutoPageBreak(false, margin)
	pdf.SetCellMargin(0)
	pdf.AddUTF8FontFromBytes("text", "", textFont)
	pdf.AddUTF8FontFromBytes("bold", "", boldFont)
	pdf.AddUTF8FontFromBytes("head", "", headFont)
	w, h := pdf.GetPageSize()
	return &page{pdf: pdf, speaker: words.Speaker{Units: words.Units(units)}, w: w - 2*margin, h: h - 2*margin, printed: printed}
}

func (p *page) bytes() ([]byte, error) {
	var out bytes.Buffer
	err := p.pdf.Output(&out)
	return out.Bytes(), err
}

// Slips prints the day's walk, where there is one, and a page for each tree. Error: given.Fault for a size that is none.
func Slips(size, units string, printed almanac.Day, walk *Walk, trees []Tree) ([]byte, error) {
	if err := CheckSize(size); err != nil {
		return nil, err
	}
	title := "Slips"
	if len(trees) == 1 && walk == nil {
		title = "Slip of " + trees[0].Bench.Tree.Code
	}
	p := newPage(size, title, units, printed)
	if walk != nil {
		p.walk(walk)
	}
	for i := range trees {
		if err := p.tree(&trees[i], i); err != nil {
			return nil, err
		}
	}
	return p.bytes()
}

func (p *page) font(name string, size float64) { p.pdf.SetFont(name, "", size) }

// para writes text from margin to margin and moves on.
func (p *page) para(name string, size float64, text string) {
	p.font(name, size)
	p.pdf.SetX(margin)
	p.pdf.MultiCell(p.w, size*0.47, text, "", "L", false)
}

// room begins a new page where less than so much is left of this one.
func (p *page) room(mm float64, continued string) {
	if p.pdf.GetY()+mm <= margin+p.h {
		return
	}
	p.pdf.AddPage()
	p.font("bold", 9)
	p.pdf.CellFormat(p.w, 5, continued, "", 1, "L", false, 0, "")
}

func (p *page) rules(safety []string) {
	pdf := p.pdf
	text := words.LocalRules
	for _, s := range safety {
		if s != words.LocalRules {
			text += " " + s
		}
	}
	p.font("text", 7.5)
	lines := pdf.SplitText(text, p.w-4)
	h := float64(len(lines))*3.4 + 2
	pdf.SetLineWidth(0.5)
	pdf.Rect(margin, pdf.GetY(), p.w, h, "D")
	pdf.SetY(pdf.GetY() + 1)
	for _, l := range lines {
		pdf.SetX(margin + 2)
		pdf.CellFormat(p.w-4, 3.4, l, "", 1, "L", false, 0, "")
	}
	pdf.SetY(pdf.GetY() + 2)
}

const codeSize = 21 // of the square code, mm

// tree prints the page of one tree.
func (p *page) tree(t *Tree, n int) error {
	pdf := p.pdf
	pdf.AddPage()
	b, s := t.Bench, t.Slip
	p.rules(s.Safety)
	top := pdf.GetY()
	wide := p.w
	if t.Address != "" {
		code, err := qrcode.New(t.Address, qrcode.Medium)
		if err != nil {
			return fmt.Errorf("the square code of %s: %w", b.Tree.Code, err)
		}
		p.square(code.Bitmap(), margin+p.w-codeSize, top)
		wide -= codeSize + 4
	}
	name := b.Tree.KindName
	if b.Tree.Name != "" {
		name += " ‘" + b.Tree.Name + "’"
	}
	p.font("head", 17)
	pdf.CellFormat(wide, 8, b.Tree.Code+"  "+name, "", 1, "L", false, 0, "")
	p.font("text", 8.5)
	line := func(name string, size float64, text string) {
		p.font(name, size)
		pdf.SetX(margin)
		pdf.MultiCell(wide, size*0.47, text, "", "L", false)
	}
	line("text", 8.5, t.Orchard)
	line("bold", 10, s.Height.Says)
	what := count(len(s.Groups), "step")
	if len(s.Steps) > len(s.Groups) {
		what += fmt.Sprintf(" (%d cuts)", len(s.Steps))
	}
	sum := fmt.Sprintf("%s, %.0f min, %s of %s.", what, s.Minutes, p.speaker.Amount(s.Gauge.Slip, "share"), p.speaker.Amount(s.Gauge.Limit, "share"))
	if s.Opens != nil && s.Closes != nil {
		sum += " Cut " + p.speaker.Day(*s.Opens) + " to " + p.speaker.Day(*s.Closes) + "."
	}
	tools := strings.Join(s.Tools, ", ")
	if tools == "" {
		tools = "nothing to cut with"
	}
	line("text", 8.5, sum+" Bring: "+tools+", spirit.")
	pdf.SetY(math.Max(pdf.GetY(), top+codeSize) + 1)
	p.font("text", 8.5)
	pdf.CellFormat(p.w, 5, fmt.Sprintf("Name ____________________   Day ____________   Slip %s, map %d", s.Key, s.Revision), "", 1, "L", false, 0, "")
	p.views(t)
	p.steps(t)
	p.stopBar(s)
	p.care(s)
	p.foot(s)
	return nil
}

func count(n int, what string) string {
	if n == 1 {
		return "1 " + what
	}
	return fmt.Sprintf("%d %ss", n, what)
}

// square draws a bitmap of black and white.
func (p *page) square(bits [][]bool, x, y float64) {
	cell := codeSize / float64(len(bits))
	p.pdf.SetFillColor(0, 0, 0)
	for r, row := range bits {
		for c := 0; c < len(row); c++ {
			n := 0
			for c+n < len(row) && row[c+n] {
				n++
			}
			if n > 0 {
				p.pdf.Rect(x+float64(c)*cell, y+float64(r)*cell, float64(n)*cell, cell, "F")
				c += n
			}
		}
	}
}

// viewHeight leaves room for the steps, and fills the page where they are few.
func (p *page) viewHeight(steps int) float64 {
	switch {
	case steps <= 8:
		return 104
	case steps <= 13:
		return 88
	case steps <= 18:
		return 74
	}
	return 62
}

// views are the tree from two sides and from above.
func (p *page) views(t *Tree) {
	pdf := p.pdf
	y := pdf.GetY()
	h := p.viewHeight(len(t.Slip.Steps))
	third := p.w / 3
	for i, v := range []struct {
		says  string
		view  view
		above bool
		in    box
	}{
		{"From the south, you look north", standingAt(180), false, box{margin, y + 4, third - 2, h - 4}},
		{"From the east, you look west", standingAt(90), false, box{margin + third, y + 4, third - 2, h - 4}},
		{"From above, north up", fromAbove, true, box{margin + 2*third, y + 4, third, h - 26}},
	} {
		pdf.SetTextColor(0, 0, 0)
		p.font("bold", 7.5)
		pdf.Text(margin+float64(i)*third, y+3, v.says)
		d := drawing{pdf: pdf, in: v.in, view: v.view, above: v.above, reachCM: t.Bench.Tree.ReachCM, speaker: p.speaker}
		d.tree(t.Bench.Limbs, t.Slip.Steps)
	}
	p.font("text", 7)
	my := y + h - 20
	for i, m := range t.Marks {
		x := margin + 2*third + float64(i%2)*third/2
		pdf.Text(x, my+float64(i/2)*3.4, m.Name+" "+p.speaker.Amount(m.CM, "cm"))
	}
	pdf.SetY(y + h + 2)
}

var columns = []struct {
	name  string
	share float64 // of the page's width
}{{"done", 0.06}, {"cut", 0.33}, {"height", 0.08}, {"on you", 0.245}, {"side", 0.09}, {"tool", 0.12}, {"share", 0.075}}

// steps are the cuts in their order, with a box to tick.
func (p *page) steps(t *Tree) {
	pdf := p.pdf
	again := t.Bench.Tree.Code + ", continued"
	head := func() {
		pdf.SetLineWidth(0.5)
		pdf.Line(margin, pdf.GetY(), margin+p.w, pdf.GetY())
		p.font("bold", 7.5)
		for _, c := range columns {
			pdf.CellFormat(c.share*p.w, 4.6, c.name, "", 0, "L", false, 0, "")
		}
		pdf.Ln(-1)
	}
	head()
	of := map[string]int{}
	for i := range t.Slip.Steps {
		of[t.Slip.Steps[i].Mark]++
	}
	nth := map[string]int{}
	for i := range t.Slip.Steps {
		s := &t.Slip.Steps[i]
		what := s.Title
		if s.Bud != "" {
			what += ". " + s.Bud
		}
		p.font("text", 8)
		lines := pdf.SplitText(what, columns[1].share*p.w-1)
		onYou := pdf.SplitText(s.OnBody, columns[3].share*p.w-1)
		h := math.Max(5, 3.7*float64(max(len(lines), len(onYou)))+1)
		if pdf.GetY()+h > margin+p.h {
			p.room(h, again)
			head()
		}
		mark := s.Mark
		if of[mark] > 1 { // one of several at one place
			mark += letter(nth[mark])
			nth[s.Mark]++
		}
		p.step(s, mark, lines, onYou, h)
	}
	pdf.SetLineWidth(0.5)
	pdf.Line(margin, pdf.GetY(), margin+p.w, pdf.GetY())
	pdf.SetY(pdf.GetY() + 2)
}

// letter of a cut among those of one step.
func letter(n int) string {
	if n < 26 {
		return string(rune('a' + n))
	}
	return fmt.Sprintf(".%d", n+1)
}

func (p *page) step(s *orchard.StepBody, mark string, what, onYou []string, h float64) {
	pdf := p.pdf
	y, x := pdf.GetY(), float64(margin)
	pdf.SetLineWidth(hairline)
	pdf.SetDrawColor(0, 0, 0)
	pdf.Line(margin, y, margin+p.w, y)
	pdf.SetLineWidth(outline)
	pdf.Rect(x, y+1, 3.2, 3.2, "D")
	p.font("bold", 8)
	pdf.Text(x+5, y+3.7, mark)
	x += columns[0].share * p.w
	p.font("text", 8)
	for k, l := range what {
		pdf.Text(x, y+3.6+3.7*float64(k), l)
	}
	x += columns[1].share * p.w
	pdf.Text(x, y+3.6, p.speaker.Height(s.Place[2]))
	x += columns[2].share * p.w
	for k, l := range onYou {
		pdf.Text(x, y+3.6+3.7*float64(k), l)
	}
	x += columns[3].share * p.w
	pdf.Text(x, y+3.6, s.Side)
	x += columns[4].share * p.w
	pdf.Text(x, y+3.6, s.Tool)
	share := "free"
	if s.Counted > 0 || s.Share < 0.005 {
		share = p.speaker.Amount(s.Share, "share")
	}
	pdf.Text(margin+p.w-pdf.GetStringWidth(share), y+3.6, share)
	pdf.SetY(y + h)
}

// stopBar has a field for each hundredth of the crown, and a thick line to stop at.
func (p *page) stopBar(s *orchard.SlipBody) {
	p.room(16, "")
	pdf := p.pdf
	limit := int(math.Round(s.Gauge.Limit * 100))
	if s.Gauge.Exempt {
		limit = 33
	}
	gone := int(math.Round((s.Gauge.Winter + s.Gauge.Summer) * 100))
	says := fmt.Sprintf("Stop line %d %%. Fill a field with pencil for each hundredth cut", limit)
	if gone > 0 {
		says += fmt.Sprintf("; %d went before", gone)
	}
	p.para("bold", 8.5, says+". At the thick line, stop.")
	n := limit + 4
	y, w := pdf.GetY()+1, p.w/float64(n)
	pdf.SetLineWidth(hairline)
	for i := range n {
		pdf.Rect(margin+float64(i)*w, y, w, 6, "D")
		if i < gone { // hatched: a copier makes grey black
			pdf.Line(margin+float64(i)*w, y+6, margin+float64(i+1)*w, y)
		}
	}
	pdf.SetLineWidth(1.4)
	pdf.Line(margin+float64(limit)*w, y-1.5, margin+float64(limit)*w, y+7.5)
	pdf.SetY(y + 9)
}

func (p *page) care(s *orchard.SlipBody) {
	var all []string
	for i := range s.Steps {
		for _, c := range s.Steps[i].Cautions {
			if !slices.Contains(all, c) {
				all = append(all, c)
			}
		}
	}
	all = append(all, s.CutRule)
	p.room(5+4*float64(len(all)), "")
	p.para("bold", 8.5, "Take care")
	for _, c := range all {
		p.para("text", 8, "• "+c)
	}
}

// trueBar is how long the bar is.
func (p *page) trueBar() string {
	if p.speaker.Units == words.US {
		return "10 cm, 3 15/16 in,"
	}
	return "10 cm"
}

// foot: a bar to check the printer by, room for what was not as drawn, and until when this page holds.
func (p *page) foot(s *orchard.SlipBody) {
	p.room(14, "")
	pdf := p.pdf
	pdf.SetY(pdf.GetY() + 2)
	p.bar(margin, pdf.GetY())
	until := fmt.Sprintf("Printed %s %d", p.speaker.Day(p.printed), p.printed.Year())
	if s.Closes != nil {
		until += ", valid to " + p.speaker.Day(*s.Closes)
	}
	p.font("text", 7.5)
	pdf.Text(margin+104, pdf.GetY()+3, p.trueBar()+" on a true print: measure it.")
	pdf.Text(margin, pdf.GetY()+9, "Not as drawn: ____________________________________________________")
	pdf.Text(margin+p.w-pdf.GetStringWidth(until), pdf.GetY()+9, until)
}

// bar is ten centimetres, each second one black.
func (p *page) bar(x, y float64) {
	p.pdf.SetLineWidth(hairline)
	p.pdf.SetFillColor(0, 0, 0)
	for i := range 10 {
		style := "D"
		if i%2 == 0 {
			style = "FD"
		}
		p.pdf.Rect(x+float64(i)*10, y, 10, 3, style)
	}
}

// walk is the day's first page: what to bring, and the trees in their order.
func (p *page) walk(w *Walk) {
	pdf, s := p.pdf, w.Sheet
	pdf.AddPage()
	p.rules(s.Safety)
	p.font("head", 17)
	pdf.CellFormat(p.w, 8, "The walk of "+p.speaker.Day(s.Day), "", 1, "L", false, 0, "")
	p.para("text", 9, fmt.Sprintf("%s. %s, %s, %s to walk.", w.Orchard, count(len(s.Stops), "tree"), p.speaker.Minutes(s.Minutes), p.speaker.Amount(s.Metres, "m")))
	pdf.SetY(pdf.GetY() + 2)
	p.para("bold", 10, "Before you leave")
	if s.Ladder != "" {
		p.para("text", 9, s.Ladder)
	}
	for _, c := range s.Carry {
		p.ticked(margin, c.What+"  ("+c.For+")")
	}
	p.ticked(margin, "alcohol and a rag; gloves, eyes covered")
	p.para("text", 8.5, s.Cleaning)
	pdf.SetY(pdf.GetY() + 2)
	for i := range s.Stops {
		stop := &s.Stops[i]
		p.room(9+4.4*float64(len(stop.Jobs)), "The walk, continued")
		pdf.SetLineWidth(hairline)
		pdf.Line(margin, pdf.GetY(), margin+p.w, pdf.GetY())
		p.font("bold", 10)
		name := fmt.Sprintf("%d   %s  %s", i+1, stop.Code, stop.KindName)
		if stop.Name != "" {
			name += " ‘" + stop.Name + "’"
		}
		if stop.Health != "clean" {
			name += ", " + stop.Health
		}
		pdf.CellFormat(p.w-20, 5.4, name, "", 0, "L", false, 0, "")
		pdf.CellFormat(20, 5.4, p.speaker.Minutes(stop.Minutes), "", 1, "R", false, 0, "")
		for _, j := range stop.Jobs {
			says := j.Title
			if j.Cuts > 0 {
				says += ", " + count(j.Cuts, "step") + ", " + j.Tools
			}
			p.ticked(margin+6, says+", until "+p.speaker.Day(j.Closes))
		}
		if stop.Clean != "" {
			pdf.SetX(margin + 6)
			p.font("text", 8)
			pdf.CellFormat(p.w-6, 4, stop.Clean, "", 1, "L", false, 0, "")
		}
	}
	if len(s.Left) > 0 {
		p.room(8+4*float64(len(s.Left)), "The walk, continued")
		pdf.SetY(pdf.GetY() + 2)
		p.para("bold", 9, "Does not fit today")
		for _, l := range s.Left {
			p.para("text", 8, l.Code+" "+l.Title+". "+l.Costs)
		}
	}
}

func (p *page) ticked(x float64, says string) {
	pdf := p.pdf
	y := pdf.GetY()
	pdf.SetLineWidth(outline)
	pdf.Rect(x, y+0.7, 3, 3, "D")
	pdf.SetX(x + 5)
	p.font("text", 9)
	pdf.MultiCell(p.w-(x-margin)-5, 4.4, says, "", "L", false)
}
