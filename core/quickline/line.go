package quickline

import (
	"cmp"
	"fmt"
	"math"
	"slices"
	"strings"

	"vertumna/core/limb"
)

// Units are what a bare number means.
type Units string

// The units.
const (
	Metric Units = "metric" // lengths in cm, thickness in mm
	US     Units = "us"     // both in inches
)

const (
	cmPerInch = 2.54
	cmPerFoot = 30.48
)

// Read is one value read from the line, with the place of its words in bytes. Numbers are in cm, mm, degrees or seasons.
type Read struct {
	Field string  `json:"field"`
	Value float64 `json:"value"`
	Text  string  `json:"text,omitempty"`
	Start int     `json:"start"`
	End   int     `json:"end"`
}

// Fault is what could not be read, with the place of the word and what is expected there.
type Fault struct {
	Start    int    `json:"start"`
	End      int    `json:"end"`
	Given    string `json:"given"`
	Expected string `json:"expected"`
}

func (f Fault) Error() string {
	if f.Given == "" {
		return f.Expected + " expected at the end of the line"
	}
	return fmt.Sprintf("%q given, %s expected", f.Given, f.Expected)
}

// Result is what a line says. Edits are empty while there are faults.
type Result struct {
	Reads  []Read      `json:"reads" nullable:"false"`
	Faults []Fault     `json:"faults" nullable:"false"`
	Edits  []limb.Edit `json:"edits" nullable:"false"`
}

// reader walks the words of a line.
type reader struct {
	doc   limb.Doc
	units Units
	in    []token
	at    int
	line  string
	out   Result

	subject, parent string
	attach          *float64
	azimuth         *float64
	angle, tipAngle *float64
	length, thick   *float64
	years           int
	count           int
	from, to        float64 // stretch of the host, 0..1; to 0: none said
	marks           []limb.Mark
	sprout, sucker  bool
	cut, gone       bool
}

// Parse reads a line against a map. Selected is the limb in hand, used where a line names no host; it may be empty.
func Parse(line string, doc limb.Doc, selected string, units Units) Result {
	r := &reader{doc: doc, units: units, in: tokens(line), line: line}
	r.out = Result{Reads: []Read{}, Faults: []Fault{}, Edits: []limb.Edit{}}
	if len(r.in) == 0 {
		return r.out
	}
	for r.at < len(r.in) {
		r.word()
	}
	if len(r.out.Faults) == 0 {
		r.finish(selected)
	}
	slices.SortStableFunc(r.out.Reads, func(a, b Read) int { return cmp.Compare(a.Start, b.Start) })
	return r.out
}

func (r *reader) peek(n int) token {
	if r.at+n < len(r.in) {
		return r.in[r.at+n]
	}
	return token{start: len(r.line), end: len(r.line)}
}

func (r *reader) read(field string, value float64, text string, first int) {
	r.out.Reads = append(r.out.Reads, Read{field, value, text, r.in[first].start, r.in[r.at-1].end})
}

func (r *reader) fault(t token, expected string) {
	given := ""
	if t.end > t.start {
		given = r.line[t.start:t.end]
	}
	r.out.Faults = append(r.out.Faults, Fault{t.start, t.end, given, expected})
}

var fillers = []string{"the", "a", "an", "and", "with", "about", "it", "is", "of", "new", "limb", "-", "branch", "starts", "start", "points", "pointing", "facing", "growing"}

// word reads from the next word on.
func (r *reader) word() {
	t := r.peek(0)
	first := r.at
	switch {
	case r.isLimb(t):
		r.at++
		r.subject = r.limbID(t)
		r.read("limb", 0, r.subject, first)
	case t.isNumber:
		r.numbered()
	case t.text == "@" || t.text == "at" || t.text == "from" || t.text == "on":
		r.where()
	case t.text == "to" || t.text == ">" || t.text == "toward" || t.text == "towards":
		r.at++
		r.skip()
		if !r.compass(first) {
			r.fault(r.peek(0), "a direction as east or NE")
			r.at++
		}
	case t.text == "az" || t.text == "bearing":
		r.at++
		r.compassNumber(first)
	case r.prefixed(t), r.byDirection(), r.compass(first), r.ordinal(), r.isGone(), r.flag(), r.yearWord(), r.stretch():
	case slices.Contains(fillers, t.text):
		r.at++
	default:
		r.fault(t, "a limb, place, direction, angle, length, thickness or age")
		r.at++
	}
}

func (r *reader) skip() {
	for slices.Contains(fillers, r.peek(0).text) {
		r.at++
	}
}

// isLimb: a name on the map, or one that looks like a new scaffold or stem.
func (r *reader) isLimb(t token) bool {
	if t.isNumber || t.end == t.start {
		return false
	}
	if r.limbID(t) != "" {
		return true
	}
	return t.text == "trunk"
}

func (r *reader) limbID(t token) string {
	if t.text == "trunk" {
		for i := range r.doc.Limbs {
			if r.doc.Limbs[i].Parent == "" {
				return r.doc.Limbs[i].ID
			}
		}
		return "T"
	}
	for i := range r.doc.Limbs {
		if strings.EqualFold(r.doc.Limbs[i].ID, t.raw) {
			return r.doc.Limbs[i].ID
		}
	}
	if strings.HasPrefix(t.text, "s") && len(t.text) > 1 && t.text[1] >= '0' && t.text[1] <= '9' {
		return strings.ToUpper(t.raw[:1]) + t.raw[1:]
	}
	return ""
}

// where reads from 60 cm, at 60, on S1, on the outer half.
func (r *reader) where() {
	first := r.at
	word := r.peek(0).text
	r.at++
	r.skip()
	t := r.peek(0)
	switch {
	case r.isLimb(t):
		r.at++
		r.parent = r.limbID(t)
		r.read("parent", 0, r.parent, first)
	case t.isNumber && word != "on":
		n := t.number
		r.at++
		cm := r.lengthUnit(n)
		r.attach = &cm
		r.read("attach_cm", cm, "", first)
	case r.stretchFrom(first):
	default:
		r.fault(t, map[string]string{"on": "a limb or a part of one"}[word]+map[bool]string{true: "a height along what carries it"}[word != "on"])
		r.at++
	}
}

// lengthUnit reads a unit after a number, if one stands there, and gives cm.
func (r *reader) lengthUnit(n float64) float64 {
	switch r.peek(0).text {
	case "cm", "centimetres", "centimeters":
		r.at++
		return n
	case "m", "metre", "metres", "meter", "meters":
		r.at++
		return 100 * n
	case "mm", "millimetres", "millimeters":
		r.at++
		return n / 10
	case "in", "inch", "inches", `"`, "″":
		r.at++
		return cmPerInch * n
	case "ft", "foot", "feet", "'", "′":
		r.at++
		return cmPerFoot * n
	}
	if r.units == US {
		return cmPerInch * n
	}
	return n
}

// unitSaid says whether a unit of length follows.
func (r *reader) unitSaid() bool {
	return slices.Contains([]string{
		"cm", "centimetres", "centimeters", "m", "metre", "metres", "meter", "meters", "mm", "millimetres",
		"millimeters", "in", "inch", "inches", `"`, "″", "ft", "foot", "feet", "'", "′",
	}, r.peek(0).text)
}

var shootWords = []string{"shoots", "shoot", "laterals", "lateral", "limbs", "twigs", "sprouts"}

// numbered reads a number and what it means by what follows.
func (r *reader) numbered() {
	first := r.at
	n := r.peek(0).number
	r.at++
	next := r.peek(0).text
	switch {
	case next == "°" || strings.HasPrefix(next, "deg"):
		r.at++
		r.setAngle(n, first)
	case (next == "to" || next == ">") && r.peek(1).isNumber:
		tip := r.peek(1).number
		r.at += 2
		if end := r.peek(0).text; end == "°" || strings.HasPrefix(end, "deg") {
			r.at++
		}
		r.setAngle(n, first)
		r.tipAngle = &tip
		r.read("angle_tip_deg", tip, "", r.at-1)
	case next == "y" || strings.HasPrefix(next, "year") || next == "yr" || next == "yrs" || strings.HasPrefix(next, "season"):
		r.at++
		if n < 1 || n != math.Trunc(n) || n > 100 {
			r.fault(r.in[first], "whole years, 1 to 100")
			return
		}
		r.years = int(n)
		r.read("years", n, "", first)
	case slices.Contains(shootWords, next):
		r.at++
		if n < 1 || n != math.Trunc(n) || n > 50 {
			r.fault(r.in[first], "how many shoots, 1 to 50")
			return
		}
		r.count = int(n)
		r.sprout = r.sprout || next == "sprouts"
		r.read("count", n, "", first)
	default:
		r.lengthOrThickness(n, first)
	}
}

func (r *reader) setAngle(n float64, first int) {
	r.angle = &n
	r.read("angle_base_deg", n, "", first)
}

func (r *reader) lengthOrThickness(n float64, first int) {
	said := r.unitSaid()
	inMM := r.peek(0).text == "mm"
	cm := r.lengthUnit(n)
	switch w := r.peek(0).text; {
	case w == "long" || w == "length":
		r.at++
		r.length = &cm
		r.read("length_cm", cm, "", first)
	case w == "thick" || w == "across" || w == "diameter":
		r.at++
		r.setThick(n, cm, said, first)
	case w == "up" || w == "high":
		r.at++
		r.attach = &cm
		r.read("attach_cm", cm, "", first)
	case inMM:
		r.setThick(n, cm, said, first)
	case said && r.length == nil:
		r.length = &cm
		r.read("length_cm", cm, "", first)
	default:
		r.fault(token{start: r.in[first].start, end: r.in[r.at-1].end}, "what the number is: degrees, long, thick or years after it")
	}
}

// setThick: a bare thickness is in mm, or in inches.
func (r *reader) setThick(n, cm float64, said bool, first int) {
	mm := cm * 10
	if !said && r.units == Metric {
		mm = n
	}
	r.thick = &mm
	r.read("diameter_mm", mm, "", first)
}
