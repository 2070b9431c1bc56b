package given

import (
	"encoding/json"
	"math"
	"reflect"
	"strconv"
	"strings"
)

// Read reads an input from JSON: defaults filled in, absent and null the same, unknown fields passed over. All faults are
// told at once; with any of them nothing is read.
func Read[T any](text []byte) (T, error) {
	var in T
	var fs Faults
	fs.object(reflect.ValueOf(&in).Elem(), text, "")
	if len(fs) == 0 {
		fs = Check(in)
	}
	if len(fs) > 0 {
		var none T
		return none, fs
	}
	return in, nil
}

func (fs *Faults) object(v reflect.Value, text []byte, at string) {
	fields := map[string]json.RawMessage{}
	if json.Unmarshal(text, &fields) != nil {
		fs.Add(NoNumber, strings.TrimSuffix(at, "."), short(text), "an object")
		return
	}
	fill(v)
	for _, r := range rulesOf(v.Type()) {
		raw, ok := fields[r.json]
		switch f := v.FieldByIndex(r.index); {
		case ok && string(raw) != "null":
			fs.value(f, raw, at+r.json)
		case r.may || r.defaulted:
		case f.Kind() == reflect.Slice && r.least == 0:
			f.Set(reflect.MakeSlice(f.Type(), 0, 0))
		default:
			fs.Add(Missing, at+r.json, "nothing", "a value")
		}
	}
}

func (fs *Faults) value(f reflect.Value, raw json.RawMessage, at string) {
	switch f.Kind() {
	case reflect.Pointer:
		f.Set(reflect.New(f.Type().Elem()))
		fs.value(f.Elem(), raw, at)
	case reflect.Float64, reflect.Int:
		var x float64
		switch {
		case json.Unmarshal(raw, &x) != nil:
			fs.Add(NoNumber, at, short(raw), "a number")
		case f.Kind() == reflect.Float64:
			f.SetFloat(x)
		case x != math.Trunc(x):
			fs.Add(NotWhole, at, short(raw), "a whole number")
		default:
			f.SetInt(int64(math.Max(-math.MaxInt32, math.Min(math.MaxInt32, x))))
		}
	case reflect.Slice:
		fs.items(f, raw, at)
	default:
		if json.Unmarshal(raw, f.Addr().Interface()) != nil {
			fs.Add(Word, at, short(raw), "a "+f.Kind().String())
		}
	}
}

func (fs *Faults) items(f reflect.Value, raw json.RawMessage, at string) {
	var items []json.RawMessage
	if json.Unmarshal(raw, &items) != nil {
		fs.Add(Word, at, short(raw), "a list")
		return
	}
	f.Set(reflect.MakeSlice(f.Type(), len(items), len(items)))
	for i, item := range items {
		place := at + "[" + strconv.Itoa(i) + "]"
		switch e := f.Index(i); {
		case e.Kind() == reflect.Struct:
			fs.object(e, item, place+".")
		case e.Kind() == reflect.Pointer && string(item) == "null":
		default:
			fs.value(e, item, place)
		}
	}
}

func short(text []byte) string {
	const most = 40
	if len(text) > most {
		return string(text[:most]) + "..."
	}
	return string(text)
}
