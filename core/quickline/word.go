package quickline

import (
	"strconv"
	"strings"

	"vertumna/core/limb"
)

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
