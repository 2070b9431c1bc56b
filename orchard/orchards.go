package orchard

import (
	"errors"

	"vertumna/core/given"
	"vertumna/core/yard"
	"vertumna/core/year"
	"vertumna/store"
)

// OrchardBody is an orchard with what is odd about its place and school.
type OrchardBody struct {
	Orchard      store.Orchard     `json:"orchard"`
	Warnings     []given.Fault     `json:"warnings" nullable:"false"`
	SiteDefaults map[string]string `json:"site_defaults" doc:"choices whose default the place moves"`
}

// CheckOrchard refuses an orchard that cannot be, and tells what is odd about it.
func CheckOrchard(o *store.Orchard) ([]given.Fault, error) {
	if err := o.Check().Err(); err != nil {
		return []given.Fault{}, err
	}
	if o.Site != nil { // what a place is made of may contradict itself
		if _, err := year.NewPlace(o.Site); err != nil {
			return []given.Fault{}, err
		}
	}
	return orEmpty(o.Odd()), nil
}

// nilIfNone lets what is not there pass.
func nilIfNone(err error) error {
	if errors.Is(err, store.ErrNotFound) {
		return nil
	}
	return err
}

// plotOf is the ground of an orchard.
func plotOf(c *store.Contents) *yard.Plot {
	out := &yard.Plot{NorthDeg: c.Orchard.Plot.NorthDeg}
	for i := range c.Orchard.Plot.Features {
		f := &c.Orchard.Plot.Features[i]
		of := yard.Feature{Kind: f.Kind, Name: f.Name, HeightM: f.HeightM, WidthM: f.WidthM}
		for _, p := range f.Points {
			of.Points = append(of.Points, yard.Point(p))
		}
		for _, w := range f.Windows {
			of.Windows = append(of.Windows, yard.Window(w))
		}
		out.Features = append(out.Features, of)
	}
	return out
}
