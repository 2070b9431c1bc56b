package quickline

import (
	"cmp"
	"fmt"
	"math"
	"slices"
	"strconv"
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
	cut             bool
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

var fillers = []string{"the", "a", "an", "and", "with", "about", "it", "is", "of", "new", "limb", "-", "branch", "starts", "start", "points"}

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
	case t.text == "to" || t.text == ">":
		r.at++
		r.skip()
		if !r.compass(first) {
			r.fault(r.peek(0), "a direction as east or NE")
			r.at++
		}
	case t.text == "az" || t.text == "bearing":
		r.at++
		r.compassNumber(first)
	case r.prefixed(t), r.compass(first), r.ordinal(), r.flag(), r.yearWord(), r.stretch():
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

// prefixed reads x28, d28, L120 and, apart, x 28.
func (r *reader) prefixed(t token) bool {
	letter, digits := t.text, ""
	if len(t.text) > 1 && strings.ContainsAny(t.text[:1], "xdl") && t.text[1] >= '0' && t.text[1] <= '9' {
		letter, digits = t.text[:1], t.text[1:]
	}
	if letter != "x" && letter != "d" && letter != "l" && letter != "×" {
		return false
	}
	first := r.at
	r.at++
	n, err := strconv.ParseFloat(digits, 64)
	if digits == "" {
		if !r.peek(0).isNumber {
			r.fault(r.peek(0), "a number after "+t.raw)
			return true
		}
		n, err = r.peek(0).number, nil
		r.at++
	}
	if err != nil {
		r.fault(t, "a number after "+letter)
		return true
	}
	said := r.unitSaid()
	cm := r.lengthUnit(n)
	if letter == "l" {
		r.length = &cm
		r.read("length_cm", cm, "", first)
		return true
	}
	r.setThick(n, cm, said, first)
	return true
}

var points = map[string]float64{
	"n": 0, "north": 0, "nne": 22.5, "ne": 45, "northeast": 45, "ene": 67.5, "e": 90, "east": 90, "ese": 112.5, "se": 135, "southeast": 135,
	"sse": 157.5, "s": 180, "south": 180, "ssw": 202.5, "sw": 225, "southwest": 225, "wsw": 247.5, "w": 270, "west": 270, "wnw": 292.5,
	"nw": 315, "northwest": 315, "nnw": 337.5,
}

// compass reads east, NE, north-east, south west.
func (r *reader) compass(first int) bool {
	az, ok := points[r.peek(0).text]
	if !ok {
		return false
	}
	r.at++
	if r.peek(0).text == "-" {
		if _, more := points[r.peek(1).text]; more {
			r.at++
		}
	}
	if second, more := points[r.peek(0).text]; more && (az == 0 || az == 180) && (second == 90 || second == 270) {
		r.at++
		if az == 0 {
			az = map[float64]float64{90: 45, 270: 315}[second]
		} else {
			az = map[float64]float64{90: 135, 270: 225}[second]
		}
	}
	r.azimuth = &az
	r.read("azimuth_deg", az, "", first)
	return true
}

func (r *reader) compassNumber(first int) {
	t := r.peek(0)
	if !t.isNumber || t.number > 360 {
		r.fault(t, "a bearing of 0 to 360 degrees")
		r.at++
		return
	}
	r.at++
	if s := r.peek(0).text; s == "°" || strings.HasPrefix(s, "deg") {
		r.at++
	}
	az := t.number
	r.azimuth = &az
	r.read("azimuth_deg", az, "", first)
}

// ordinal reads second scaffold, scaffold 2, third stem.
func (r *reader) ordinal() bool {
	first := r.at
	n, ok := place(ranks, r.peek(0).text)
	what := r.peek(1).text
	used := 2
	if !ok {
		what = r.peek(0).text
		if what != "scaffold" && what != "stem" {
			return false
		}
		if !r.peek(1).isNumber {
			r.at++
			r.fault(r.peek(0), "which "+what+", as "+what+" 2")
			return true
		}
		n = int(r.peek(1).number)
	} else if what != "scaffold" && what != "stem" && what != "limb" {
		return false
	}
	r.at += used
	r.subject = "S" + strconv.Itoa(n)
	if what == "stem" {
		r.subject = "T" + strconv.Itoa(n)
		if n == 1 {
			r.subject = "T"
		}
	}
	r.read("limb", 0, r.subject, first)
	return true
}

// flag reads words that stand alone.
func (r *reader) flag() bool {
	first := r.at
	kinds := map[string]string{
		"dead": limb.Dead, "broken": limb.Damaged, "damaged": limb.Damaged, "split": limb.Damaged, "diseased": limb.Diseased,
		"sick": limb.Diseased, "canker": limb.Diseased, "borer": limb.Borer, "weak": limb.Weak,
	}
	w := r.peek(0).text
	if kind, ok := kinds[w]; ok {
		r.at++
		m := limb.Mark{Kind: kind}
		if w == "canker" {
			m.Agent = "canker"
		}
		r.marks = append(r.marks, m)
		r.read("mark", 0, kind, first)
		return true
	}
	switch w {
	case "rubs", "rubbing":
		r.at++
		r.skip()
		if r.peek(0).text == "on" {
			r.at++
		}
		other := r.peek(0)
		if !r.isLimb(other) {
			r.fault(other, "the limb it rubs on")
			r.at++
			return true
		}
		r.at++
		r.marks = append(r.marks, limb.Mark{Kind: limb.Rubbing, Other: r.limbID(other)})
		r.read("mark", 0, limb.Rubbing, first)
	case "sprout", "water":
		r.at++
		if w == "water" && r.peek(0).text == "sprout" {
			r.at++
		}
		r.sprout = true
		r.read("sprout", 1, "", first)
	case "sucker":
		r.at++
		r.sucker = true
		r.read("sucker", 1, "", first)
	case "cut", "headed":
		r.at++
		r.cut = true
		r.read("tip", 0, "cut", first)
	default:
		return false
	}
	return true
}

// yearWord reads this year, this year's.
func (r *reader) yearWord() bool {
	first := r.at
	if w := r.peek(0).text; w != "this" && w != "last" {
		return false
	}
	word := r.peek(0).text
	r.at++
	if !strings.HasPrefix(r.peek(0).text, "year") && !strings.HasPrefix(r.peek(0).text, "season") {
		r.fault(r.peek(0), "year after "+word)
		return true
	}
	r.at++
	r.years = map[string]int{"this": 1, "last": 1}[word]
	if word == "last" && r.doc.Season == limb.Summer {
		r.years = 2 // a shoot of this summer stands on it
	}
	r.read("years", float64(r.years), "", first)
	return true
}

var sides = map[string][2]float64{"outer": {1, 0}, "upper": {1, 0}, "inner": {0, 1}, "lower": {0, 1}, "middle": {0.5, 0.5}, "whole": {0, 0}}

// stretch reads outer half, inner third, whole length.
func (r *reader) stretch() bool { return r.stretchFrom(r.at) }

func (r *reader) stretchFrom(first int) bool {
	side, ok := sides[r.peek(0).text]
	if !ok {
		return false
	}
	word := r.peek(0).text
	r.at++
	part, ok := map[string]float64{"half": 0.5, "third": 1.0 / 3, "quarter": 0.25, "length": 1}[r.peek(0).text]
	if !ok {
		r.fault(r.peek(0), "half, third or quarter after "+word)
		r.at++
		return true
	}
	r.at++
	switch {
	case part == 1 || word == "whole":
		r.from, r.to = 0, 1
	case side[0] == 1:
		r.from, r.to = 1-part, 1
	case side[1] == 1:
		r.from, r.to = 0, part
	default:
		r.from, r.to = 0.5-part/2, 0.5+part/2
	}
	r.read("stretch", r.to-r.from, word, first)
	return true
}
