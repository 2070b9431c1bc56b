// Package quickline reads limbs from one typed or spoken line, as a person dictates them beside the tree:
//
//	second scaffold, from 60 cm, to the east, 50 degrees, 120 long, 28 thick, three years
//	S2 @60 E 50° L120 x28 3y
//	eight shoots on the outer half of S1, 60 cm, this year
//
// The order is free. A number without a unit is in the person's own: cm and mm, or inches. What cannot be read is told
// with the place of the word and what is expected there.
package quickline

import (
	"math"
	"regexp"
	"strconv"
	"strings"
)

// token is one word, number or sign with its place in the line, in bytes.
type token struct {
	text       string // lower case
	raw        string
	start, end int
	number     float64
	isNumber   bool
}

var tokenAt = regexp.MustCompile(`[A-Za-z]+[0-9]+(?:\.[0-9]+)*|[0-9]+(?:[.,][0-9]+)?|[\p{L}]+(?:'[a-z]+)?|[°@>"″′'×-]`)

var (
	ones  = strings.Fields("zero one two three four five six seven eight nine ten eleven twelve thirteen fourteen fifteen sixteen seventeen eighteen nineteen")
	tens  = strings.Fields("_ _ twenty thirty forty fifty sixty seventy eighty ninety")
	ranks = strings.Fields("_ first second third fourth fifth sixth seventh eighth ninth tenth eleventh twelfth")
)

func place(list []string, word string) (int, bool) {
	for i, w := range list {
		if w == word && w != "_" {
			return i, true
		}
	}
	return 0, false
}

// tokens splits a line. A comma between digits is a decimal comma; spelt-out numbers become numbers.
func tokens(line string) []token {
	var out []token
	for _, at := range tokenAt.FindAllStringIndex(line, -1) {
		raw := line[at[0]:at[1]]
		t := token{text: strings.ToLower(raw), raw: raw, start: at[0], end: at[1]}
		if x, err := strconv.ParseFloat(strings.ReplaceAll(raw, ",", "."), 64); err == nil && !math.IsInf(x, 0) && raw[0] >= '0' && raw[0] <= '9' {
			t.number, t.isNumber = x, true
		}
		out = append(out, t)
	}
	return spelt(out)
}

// spelt joins number words: one hundred and twenty, sixty five.
func spelt(in []token) []token {
	var out []token
	for i := 0; i < len(in); i++ {
		n, used := wordNumber(in[i:])
		if used == 0 {
			out = append(out, in[i])
			continue
		}
		last := in[i+used-1]
		out = append(out, token{text: in[i].text, raw: in[i].raw, start: in[i].start, end: last.end, number: n, isNumber: true})
		i += used - 1
	}
	return out
}

func wordNumber(in []token) (n float64, used int) {
	seen := false
	for used < len(in) {
		w := in[used].text
		switch {
		case w == "hundred":
			if n == 0 {
				n = 1
			}
			n *= 100
		case w == "and" && seen && n >= 100 && used+1 < len(in) && isSmall(in[used+1].text):
		case w == "half" && seen:
			n += 0.5
		default:
			if v, ok := place(ones, w); ok {
				n += float64(v)
			} else if v, ok := place(tens, w); ok {
				n += float64(10 * v)
			} else {
				if !seen {
					return 0, 0
				}
				return n, used
			}
		}
		seen = true
		used++
	}
	return n, used
}

func isSmall(w string) bool {
	_, a := place(ones, w)
	_, b := place(tens, w)
	return a || b
}
