package pomology

import (
	_ "embed" // the table ships inside the program
	"encoding/json"
	"errors"
	"fmt"
	"maps"
	"math"
	"sort"
	"strconv"
	"strings"

	"vertumna/core/given"
)

//go:embed tables/schools.json
var schoolsJSON string

// Value of a choice, with the sentence for and the sentence against it, and the site classes where it fits best or does
// not fit.
type Value struct {
	Slug    string   `json:"slug"`
	Name    string   `json:"name"`
	For     string   `json:"for"`
	Against string   `json:"against"`
	Best    []string `json:"best"`
	Unfit   []string `json:"unfit"`
}

// Choice is a question on which growers differ.
type Choice struct {
	Key     string  `json:"key"`
	Name    string  `json:"name"`
	Default string  `json:"default"`
	Values  []Value `json:"values"`
}

// Preset is a named set of choices; what it does not name takes the default.
type Preset struct {
	Slug     string            `json:"slug"`
	Name     string            `json:"name"`
	Sentence string            `json:"sentence"`
	Values   map[string]string `json:"values"`
}

// DefaultPreset is the cautious school.
const DefaultPreset = "steady"

// Choices lists the choices in their order.
func Choices() []Choice { return tables.choices }

// Presets lists the presets in their order.
func Presets() []Preset { return tables.presets }

// School is a preset with the person's own departures from it. The zero value is Steady.
type School struct {
	Preset string
	Own    map[string]string // choice key to value slug
}

// Resolved is a school worked out for a site: every choice has a value, and where it came from.
type Resolved struct {
	Preset string
	values map[string]string
	origin map[string]string
}

// Origins of a resolved value.
const (
	FromDefault = "default"
	FromPreset  = "preset"
	FromSite    = "site"
	FromPerson  = "person"
	FromTree    = "tree"
)

// SiteDefaults are the defaults that a place moves: where winters are wet, stone fruit is cut in dry summer weather.
func SiteDefaults(wetWinter bool) map[string]string {
	if wetWinter {
		return map[string]string{"stone_cut": "dry-summer"}
	}
	return map[string]string{}
}

// Resolve checks a school and works out every choice. wetWinter moves the default of the stone cut to dry summer, and
// treeOwn holds the departures of a single tree.
func (s School) Resolve(wetWinter bool, treeOwn map[string]string) (Resolved, error) {
	preset := s.Preset
	if preset == "" {
		preset = DefaultPreset
	}
	r := Resolved{Preset: preset, values: map[string]string{}, origin: map[string]string{}}
	p, err := presetBySlug(preset)
	if err != nil {
		return r, err
	}
	for _, c := range tables.choices {
		r.set(c.Key, c.Default, FromDefault)
	}
	for key, v := range p.Values {
		r.set(key, v, FromPreset)
	}
	for key, v := range SiteDefaults(wetWinter) {
		if p.Values[key] == "" {
			r.set(key, v, FromSite)
		}
	}
	var errs []error
	for _, layer := range []struct {
		own    map[string]string
		origin string
	}{{s.Own, FromPerson}, {treeOwn, FromTree}} {
		keys := make([]string, 0, len(layer.own))
		for k := range layer.own {
			keys = append(keys, k)
		}
		sort.Strings(keys)
		for _, k := range keys {
			if err := checkValue(k, layer.own[k]); err != nil {
				errs = append(errs, err)
				continue
			}
			r.set(k, layer.own[k], layer.origin)
		}
	}
	return r, errors.Join(errs...)
}

func (r *Resolved) set(key, value, origin string) { r.values[key], r.origin[key] = value, origin }

// Value returns the value slug in force for a choice.
func (r Resolved) Value(key string) string { return r.values[key] }

// Values are all values in force, by choice.
func (r Resolved) Values() map[string]string { return maps.Clone(r.values) }

// Origin tells where the value in force came from.
func (r Resolved) Origin(key string) string { return r.origin[key] }

// Is tells whether the value in force for key is one of slugs.
func (r Resolved) Is(key string, slugs ...string) bool {
	for _, s := range slugs {
		if r.values[key] == s {
			return true
		}
	}
	return false
}

// LimitShare is the yearly limit as a share of the crown, 0..1.
func (r Resolved) LimitShare() float64 {
	switch r.values["yearly_limit"] {
	case "25":
		return 0.25
	case "30":
		return 0.30
	case "33":
		return 1.0 / 3
	}
	return 0.20
}

// lastYearShare is the usual limit of kinds that bear on last year's shoots only: their crop grows on what is renewed each
// year (reach.md#height; practice).
const lastYearShare = 1.0 / 3

// LimitFor is the yearly limit for a kind: what the person said for it, else the school's, but for kinds that bear on last
// year's shoots at least a third.
func (r Resolved) LimitFor(k *Kind) float64 {
	said := r.origin["yearly_limit"] == FromPerson || r.origin["yearly_limit"] == FromTree
	if !said && k.Growth.Bearing == OnLastYear {
		return math.Max(r.LimitShare(), lastYearShare)
	}
	return r.LimitShare()
}

// ReachM is the picking height in metres from the person's fingertip height in cm (0: a guess of 200 cm) and own
// ceiling. known is false when the fingertip height was guessed.
func (r Resolved) ReachM(fingertipCM, ceilingCM float64) (reach float64, known bool) {
	known = fingertipCM > 0
	if !known {
		fingertipCM = GuessFingertipCM
	}
	switch r.values["reach"] {
	case "shoulder":
		return fingertipCM * shoulderShare / 100, known
	case "150-cm":
		return 1.5, true
	case "ladder":
		if ceilingCM > 0 {
			return ceilingCM / 100, true
		}
		return (fingertipCM + 60) / 100, known
	}
	return (fingertipCM - 30) / 100, known
}

// Body measures: our estimates.
const (
	// GuessFingertipCM is taken when the person has not measured.
	GuessFingertipCM = 200
	shoulderShare    = 0.66 // of the fingertip height
)

// Find returns the choice and the value for a key and slug.
func Find(key, slug string) (Choice, Value, error) {
	for _, c := range tables.choices {
		if c.Key != key {
			continue
		}
		for _, v := range c.Values {
			if v.Slug == slug {
				return c, v, nil
			}
		}
		return c, Value{}, unknownChoice(key, slug, "one of "+strings.Join(c.slugs(), ", "))
	}
	return Choice{}, Value{}, unknownChoice("school", key, "the key of a choice")
}

func (c Choice) slugs() []string {
	out := make([]string, len(c.Values))
	for i, v := range c.Values {
		out[i] = v.Slug
	}
	return out
}

func checkValue(key, slug string) error {
	_, _, err := Find(key, slug)
	return err
}

func presetBySlug(slug string) (Preset, error) {
	names := make([]string, 0, len(tables.presets))
	for _, p := range tables.presets {
		if p.Slug == slug {
			return p, nil
		}
		names = append(names, p.Slug)
	}
	return Preset{}, unknownChoice("preset", slug, "one of "+strings.Join(names, ", "))
}

func loadSchools(t *loaded) error {
	var file struct {
		Choices []Choice `json:"choices"`
		Presets []Preset `json:"presets"`
	}
	if err := json.Unmarshal([]byte(schoolsJSON), &file); err != nil {
		return fmt.Errorf("schools: %w", err)
	}
	t.choices, t.presets = file.Choices, file.Presets
	known := map[string]bool{}
	var errs []error
	for _, c := range t.choices {
		hasDefault := false
		for _, v := range c.Values {
			known[c.Key+"="+v.Slug] = true
			hasDefault = hasDefault || v.Slug == c.Default
			if v.For == "" || v.Against == "" {
				errs = append(errs, fmt.Errorf("schools: %s=%s lacks a sentence", c.Key, v.Slug))
			}
		}
		if !hasDefault {
			errs = append(errs, fmt.Errorf("schools: %s has no value for its default", c.Key))
		}
	}
	for _, p := range t.presets {
		for k, v := range p.Values {
			if !known[k+"="+v] {
				errs = append(errs, fmt.Errorf("schools: %s names %s=%s", p.Slug, k, v))
			}
		}
	}
	return errors.Join(errs...)
}

// unknownChoice: a school names a choice or a value that does not exist.
func unknownChoice(field, was, expected string) error {
	return given.Fault{Code: "unknown_choice", Field: field, Given: strconv.Quote(was), Expected: expected}
}
