package exchange

import (
	"encoding/csv"
	"fmt"
	"io"
	"strconv"
	"strings"

	"vertumna/core/almanac"
)

// normalsColumns are the columns a table of normals may have and where each goes.
var normalsColumns = map[string]func(*almanac.Site) *[]float64{
	"tmax":      func(s *almanac.Site) *[]float64 { return &s.Tmax },
	"tmin":      func(s *almanac.Site) *[]float64 { return &s.Tmin },
	"rain":      func(s *almanac.Site) *[]float64 { return &s.RainMM },
	"rain_days": func(s *almanac.Site) *[]float64 { return &s.RainDays },
	"wind":      func(s *almanac.Site) *[]float64 { return &s.WindKmh },
	"sun":       func(s *almanac.Site) *[]float64 { return &s.SunFrac },
	"sd_temp":   func(s *almanac.Site) *[]float64 { return &s.SdTemp },
}

// ReadNormals lays a CSV of twelve months over a site. The first line names the columns: month, tmax, tmin, rain,
// rain_days, wind, sun, sd_temp; what is missing keeps the site's own value, but tmax, tmin and rain must be there. A unit
// may follow a name, as tmax_f, rain_in, wind_mph; without one Celsius, millimetres and km/h are taken. Errors: given.Fault
// and those of almanac.Site.Check.
func ReadNormals(r io.Reader, base almanac.Site) (almanac.Site, error) {
	out := base.Clone()
	in := csv.NewReader(r)
	in.TrimLeadingSpace, in.FieldsPerRecord = true, -1
	lines, err := in.ReadAll()
	if err != nil {
		return base, inTable(1, "table", err.Error(), "lines of values parted by commas")
	}
	if len(lines) != 13 {
		return base, inTable(len(lines), "table", fmt.Sprintf("%d lines", len(lines)), "a line of names and twelve months")
	}
	type column struct {
		to      *[]float64
		convert func(float64) float64
	}
	columns := make([]column, len(lines[0]))
	have := map[string]bool{}
	for i, h := range lines[0] {
		name, unit := splitUnit(h)
		if name == "month" {
			continue
		}
		find, ok := normalsColumns[name]
		convert, known := converters[unit]
		if !ok || !known {
			return base, inTable(1, fmt.Sprintf("column %d", i+1), fmt.Sprintf("%q", h), "month, tmax, tmin, rain, rain_days, wind, sun or sd_temp, with _c, _f, _mm, _in, _kmh or _mph")
		}
		columns[i] = column{find(&out), convert}
		*columns[i].to = make([]float64, 12)
		have[name] = true
	}
	for _, must := range []string{"tmax", "tmin", "rain"} {
		if !have[must] {
			return base, inTable(1, must, "no column", "a column "+must)
		}
	}
	for m, line := range lines[1:] {
		if len(line) != len(columns) {
			return base, inTable(m+2, "line", fmt.Sprintf("%d values", len(line)), fmt.Sprintf("%d values", len(columns)))
		}
		for i, cell := range line {
			if columns[i].to == nil {
				continue
			}
			v, err := strconv.ParseFloat(strings.TrimSpace(cell), 64)
			if err != nil {
				return base, inTable(m+2, lines[0][i], fmt.Sprintf("%q", cell), "a number")
			}
			(*columns[i].to)[m] = columns[i].convert(v)
		}
	}
	return out, out.Check()
}

// splitUnit parts "Tmax (F)" or "tmax_f" into its name and unit.
func splitUnit(header string) (name, unit string) {
	h := strings.ToLower(strings.TrimSpace(strings.TrimPrefix(header, "\ufeff")))
	h = strings.NewReplacer(" (", "_", "(", "_", ")", "", " ", "_", "°", "", "/", "").Replace(h)
	if _, ok := normalsColumns[h]; ok || h == "month" {
		return h, ""
	}
	if i := strings.LastIndex(h, "_"); i > 0 {
		return h[:i], h[i+1:]
	}
	return h, ""
}

var converters = map[string]func(float64) float64{
	"": same, "c": same, "mm": same, "kmh": same,
	"f":   func(x float64) float64 { return (x - 32) * 5 / 9 },
	"in":  func(x float64) float64 { return x * 25.4 },
	"mph": func(x float64) float64 { return x * 1.609344 },
}

func same(x float64) float64 { return x }
