package given

import (
	"fmt"
	"math"
	"reflect"
	"strconv"
	"strings"
	"sync"
)

// A model writes what it takes as tags on the fields of its input, in the words of the handbook's input lines:
//
//	`in:"(0,1500]"`            a number, 0 itself out of range
//	`in:"[0,1] = 1"`           a number, 1 when absent
//	`in:"? [0,200]"`           a number that may be absent: the field is a pointer
//	`in:"small|medium|large = medium"`  one of these words
//	`in:"id"`                  a text that names an item of a list, once
//	`in:"list 1"`              a list of at least one item
//	`in:"list 1 [15,400]"`     a list of at least one number, each within its range
//
// A whole number is an int field. Without a tag a field is required and free.
type rule struct {
	json      string
	index     []int
	may       bool
	defaulted bool
	def       string
	ranged    bool
	open      bool // the lower end is out of range
	low, high float64
	words     []string
	id        bool
	least     int
}

var rules sync.Map // reflect.Type to []rule

func rulesOf(t reflect.Type) []rule {
	if have, ok := rules.Load(t); ok {
		return have.([]rule)
	}
	var out []rule
	for i := range t.NumField() {
		f := t.Field(i)
		if f.Anonymous && f.Type.Kind() == reflect.Struct { // its fields are those of the input
			for _, r := range rulesOf(f.Type) {
				r.index = append([]int{i}, r.index...)
				out = append(out, r)
			}
			continue
		}
		name, _, _ := strings.Cut(f.Tag.Get("json"), ",")
		if name == "" || name == "-" {
			continue
		}
		r := parse(f.Tag.Get("in"))
		r.json, r.index = name, []int{i}
		out = append(out, r)
	}
	rules.Store(t, out)
	return out
}

func parse(tag string) rule {
	var r rule
	tag = strings.TrimSpace(tag)
	if rest, ok := strings.CutPrefix(tag, "?"); ok {
		r.may, tag = true, strings.TrimSpace(rest)
	}
	tag, r.def, r.defaulted = strings.Cut(tag, "=")
	tag, r.def = strings.TrimSpace(tag), strings.TrimSpace(r.def)
	switch {
	case tag == "id":
		r.id = true
	case strings.HasPrefix(tag, "list"):
		least, each, _ := strings.Cut(strings.TrimSpace(tag[len("list"):]), " ")
		of := parse(each)
		r.ranged, r.open, r.low, r.high = of.ranged, of.open, of.low, of.high
		r.least, _ = strconv.Atoi(least)
	case strings.HasPrefix(tag, "[") || strings.HasPrefix(tag, "("):
		r.ranged, r.open = true, tag[0] == '('
		low, high, _ := strings.Cut(tag[1:len(tag)-1], ",")
		r.low, _ = strconv.ParseFloat(low, 64)
		r.high, _ = strconv.ParseFloat(high, 64)
	case tag != "":
		r.words = strings.Split(tag, "|")
	}
	return r
}

// New is an input with its defaults filled in; what is required is still to be given.
func New[T any]() T {
	var in T
	fill(reflect.ValueOf(&in).Elem())
	return in
}

func fill(v reflect.Value) {
	for _, r := range rulesOf(v.Type()) {
		if r.defaulted {
			put(v.FieldByIndex(r.index), r.def)
		}
	}
}

// put writes a default; a tag that does not fit its field is a mistake of the program.
func put(f reflect.Value, text string) {
	var err error
	switch f.Kind() {
	case reflect.String:
		f.SetString(text)
	case reflect.Bool:
		f.SetBool(text == "true")
	case reflect.Int:
		var n int64
		n, err = strconv.ParseInt(text, 10, 64)
		f.SetInt(n)
	case reflect.Float64:
		var x float64
		x, err = strconv.ParseFloat(text, 64)
		f.SetFloat(x)
	}
	if err != nil {
		panic(fmt.Sprintf("given: default %q of a %s", text, f.Kind()))
	}
}

// Check looks at every field of an input, lists too, and tells all that is wrong.
func Check(in any) Faults {
	var fs Faults
	fs.check(reflect.ValueOf(in), "")
	return fs
}

func (fs *Faults) check(v reflect.Value, at string) {
	for _, r := range rulesOf(v.Type()) {
		fs.field(r, v.FieldByIndex(r.index), at+r.json)
	}
}

func (fs *Faults) field(r rule, f reflect.Value, at string) {
	switch f.Kind() {
	case reflect.Pointer:
		if !f.IsNil() {
			fs.field(r, f.Elem(), at)
		}
	case reflect.Float64:
		fs.number(r, f.Float(), at)
	case reflect.Int:
		fs.number(r, float64(f.Int()), at)
	case reflect.String:
		if len(r.words) > 0 && !has(r.words, f.String()) {
			fs.Add(Word, at, strconv.Quote(f.String()), "one of "+strings.Join(r.words, ", "))
		}
	case reflect.Slice:
		fs.list(r, f, at)
	}
}

func (fs *Faults) number(r rule, x float64, at string) {
	switch {
	case math.IsNaN(x) || math.IsInf(x, 0):
		fs.Add(NoNumber, at, fmt.Sprint(x), "a number")
	case r.ranged && r.open:
		fs.Above(at, x, r.low, r.high)
	case r.ranged:
		fs.In(at, x, r.low, r.high)
	}
}

func (fs *Faults) list(r rule, f reflect.Value, at string) {
	if f.Len() < r.least && !(r.may && f.IsNil()) {
		fs.Add(Empty, at, fmt.Sprintf("%d", f.Len()), fmt.Sprintf("at least %d", r.least))
	}
	names := map[string]bool{}
	for i := range f.Len() {
		item, place := f.Index(i), fmt.Sprintf("%s[%d]", at, i)
		if item.Kind() != reflect.Struct {
			fs.field(rule{ranged: r.ranged, open: r.open, low: r.low, high: r.high}, item, place)
			continue
		}
		fs.check(item, place+".")
		for _, own := range rulesOf(item.Type()) {
			if !own.id {
				continue
			}
			name := item.FieldByIndex(own.index).String()
			if names[name] {
				fs.Add(Twice, place+"."+own.json, strconv.Quote(name), "a name used once")
			}
			names[name] = true
		}
	}
}

func has(words []string, w string) bool {
	for _, x := range words {
		if x == w {
			return true
		}
	}
	return false
}
