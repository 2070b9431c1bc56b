package exchange

import (
	"encoding/csv"
	"errors"
	"fmt"
	"io"
	"strconv"
	"strings"

	"vertumna/core/given"
	"vertumna/core/limb"
	"vertumna/core/pomology"
)

// limbColumns are the columns of a limb table, in order; units are the ends of their names.
var limbColumns = []string{
	"id", "parent", "attach_cm", "x_cm", "y_cm", "azimuth_deg", "angle_base_deg", "angle_tip_deg", "length_cm",
	"diameter_mm", "tip_diameter_mm", "tip", "rings_cm", "marks", "tags", "flags", "source", "note",
}

// LimbsCSV writes a limb map as a table: a line of facts on the tree, a line of names, a row a limb. Rings are parted by
// spaces, marks are kind@cm, parted by semicolons. Buds, spurs, states and wounds are in the JSON only.
func LimbsCSV(w io.Writer, doc limb.Doc) error {
	if _, err := fmt.Fprintf(w, "# species=%s form=%s age=%d year=%d season=%s\n", doc.Species, doc.Form, doc.Age, doc.Year, doc.Season); err != nil {
		return err
	}
	out := csv.NewWriter(w)
	if err := out.Write(limbColumns); err != nil {
		return err
	}
	for i := range doc.Limbs {
		if err := out.Write(limbRow(&doc.Limbs[i])); err != nil {
			return err
		}
	}
	out.Flush()
	return out.Error()
}

func number(p *float64) string {
	if p == nil {
		return ""
	}
	return strconv.FormatFloat(*p, 'f', -1, 64)
}

func limbRow(l *limb.Limb) []string {
	var rings, marks, flags []string
	for _, r := range l.RingsCM {
		rings = append(rings, strconv.FormatFloat(r, 'f', -1, 64))
	}
	for _, m := range l.Marks {
		text := m.Kind + "@" + strconv.FormatFloat(m.AtCM, 'f', -1, 64)
		if extra := m.Agent + m.Other; extra != "" {
			text += "@" + extra
		}
		marks = append(marks, text)
	}
	if l.Sucker {
		flags = append(flags, "sucker")
	}
	if l.Sprout {
		flags = append(flags, "sprout")
	}
	return []string{
		safeCell(l.ID), safeCell(l.Parent), number(l.AttachCM), number(l.XCM), number(l.YCM), number(l.AzimuthDeg), number(l.AngleBaseDeg),
		number(l.AngleTipDeg), number(l.LengthCM), number(l.DiameterMM), number(l.TipDiameterMM), string(l.Tip), strings.Join(rings, " "),
		strings.Join(marks, ";"), strings.Join(l.Tags, " "), strings.Join(flags, " "), string(l.Source), safeCell(l.Note),
	}
}

// safeCell keeps a spreadsheet from reading a text as a formula.
func safeCell(s string) string {
	if s != "" && strings.ContainsAny(s[:1], "=+-@\t\r") {
		return "'" + s
	}
	return s
}

// inTable is what is wrong with a table: line and column, what was given, what is expected.
func inTable(line int, column, was, expected string) error {
	return given.Fault{Code: "bad_table", Field: fmt.Sprintf("line %d, %s", line, column), Given: was, Expected: expected}
}

// ReadLimbsCSV reads a table of limbs. Facts the first line does not say are taken from base. Errors: given.Fault for the
// table, given.Faults for the map.
func ReadLimbsCSV(r io.Reader, base limb.Doc) (limb.Doc, error) {
	doc := base
	doc.Limbs = nil
	in := csv.NewReader(r)
	in.FieldsPerRecord = -1
	in.TrimLeadingSpace = true
	first, err := in.Read()
	if err != nil {
		return limb.Doc{}, inTable(1, "table", readFault(err), "a line of column names")
	}
	if strings.HasPrefix(first[0], "#") {
		if err := treeFacts(&doc, strings.Join(first, ",")); err != nil {
			return limb.Doc{}, err
		}
		if first, err = in.Read(); err != nil {
			return limb.Doc{}, inTable(2, "table", readFault(err), "a line of column names")
		}
	}
	columns, err := knownColumns(first)
	if err != nil {
		return limb.Doc{}, err
	}
	for {
		record, err := in.Read()
		if errors.Is(err, io.EOF) {
			break
		}
		var wrong *csv.ParseError
		if errors.As(err, &wrong) {
			return limb.Doc{}, inTable(wrong.Line, "row", wrong.Err.Error(), "values parted by commas")
		}
		if err != nil {
			return limb.Doc{}, err
		}
		line, _ := in.FieldPos(0)
		l, err := readLimbRow(record, columns, line)
		if err != nil {
			return limb.Doc{}, err
		}
		doc.Limbs = append(doc.Limbs, l)
	}
	if _, err := limb.Check(doc); err != nil {
		return limb.Doc{}, err
	}
	return doc, nil
}

func readFault(err error) string {
	if errors.Is(err, io.EOF) {
		return "nothing"
	}
	return err.Error()
}

func treeFacts(doc *limb.Doc, line string) error {
	for _, f := range strings.Fields(strings.TrimPrefix(line, "#")) {
		key, value, _ := strings.Cut(f, "=")
		n, err := strconv.Atoi(value)
		switch key {
		case "species":
			doc.Species, err = value, nil
		case "form":
			doc.Form, err = pomology.FormSlug(value), nil
		case "season":
			doc.Season, err = limb.Season(value), nil
		case "age":
			doc.Age = n
		case "year":
			doc.Year = n
		default:
			err = nil
		}
		if err != nil {
			return inTable(1, key, value, "a whole number")
		}
	}
	return nil
}

// knownColumns finds each column; one that is not known is refused, so that lengths in other units never pass for cm.
func knownColumns(names []string) ([]string, error) {
	out := make([]string, len(names))
	has := map[string]bool{}
	for i, n := range names {
		n = strings.ToLower(strings.TrimSpace(strings.TrimPrefix(n, "\ufeff")))
		expected := "one of " + strings.Join(limbColumns, ", ")
		known := false
		for _, c := range limbColumns {
			known = known || c == n
			stem, _, _ := strings.Cut(c, "_cm")
			stem, _, _ = strings.Cut(stem, "_mm")
			if stem != c && strings.HasPrefix(n, stem+"_") && n != c {
				expected = c
			}
		}
		if !known {
			return nil, inTable(1, "column", n, expected)
		}
		out[i], has[n] = n, true
	}
	for _, must := range []string{"id", "length_cm"} {
		if !has[must] {
			return nil, inTable(1, "column", "no "+must, must)
		}
	}
	return out, nil
}

func readLimbRow(record, columns []string, line int) (limb.Limb, error) {
	var l limb.Limb
	numbers := map[string]**float64{
		"attach_cm": &l.AttachCM, "x_cm": &l.XCM, "y_cm": &l.YCM, "azimuth_deg": &l.AzimuthDeg, "angle_base_deg": &l.AngleBaseDeg,
		"angle_tip_deg": &l.AngleTipDeg, "length_cm": &l.LengthCM, "diameter_mm": &l.DiameterMM, "tip_diameter_mm": &l.TipDiameterMM,
	}
	for i, v := range record {
		if i >= len(columns) {
			return l, inTable(line, "row", fmt.Sprint(len(record), " values"), fmt.Sprint(len(columns), " as the names above"))
		}
		v = strings.TrimSpace(v)
		if v == "" {
			continue
		}
		col := columns[i]
		if p, ok := numbers[col]; ok {
			x, err := strconv.ParseFloat(v, 64)
			if err != nil {
				return l, inTable(line, col, strconv.Quote(v), "a number")
			}
			*p = &x
			continue
		}
		if err := limbWord(&l, col, strings.TrimPrefix(v, "'"), line); err != nil {
			return l, err
		}
	}
	return l, nil
}

func limbWord(l *limb.Limb, col, v string, line int) error {
	switch col {
	case "id":
		l.ID = v
	case "parent":
		l.Parent = v
	case "tip":
		l.Tip = limb.Tip(v)
	case "source":
		l.Source = limb.Source(v)
	case "note":
		l.Note = v
	case "tags":
		l.Tags = strings.Fields(v)
	case "flags":
		for _, f := range strings.Fields(v) {
			l.Sucker, l.Sprout = l.Sucker || f == "sucker", l.Sprout || f == "sprout"
		}
	case "rings_cm":
		for _, r := range strings.Fields(v) {
			x, err := strconv.ParseFloat(r, 64)
			if err != nil {
				return inTable(line, col, strconv.Quote(r), "lengths parted by spaces")
			}
			l.RingsCM = append(l.RingsCM, x)
		}
	case "marks":
		for _, m := range strings.Split(v, ";") {
			parts := strings.SplitN(m, "@", 3)
			k := limb.Mark{Kind: parts[0]}
			if len(parts) > 1 {
				x, err := strconv.ParseFloat(parts[1], 64)
				if err != nil {
					return inTable(line, col, strconv.Quote(m), "kind@cm")
				}
				k.AtCM = x
			}
			if len(parts) > 2 {
				if k.Kind == limb.Rubbing {
					k.Other = parts[2]
				} else {
					k.Agent = parts[2]
				}
			}
			l.Marks = append(l.Marks, k)
		}
	}
	return nil
}
