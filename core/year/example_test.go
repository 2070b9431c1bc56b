package year_test

import (
	"fmt"

	"vertumna/core/almanac"
	"vertumna/core/pomology"
	"vertumna/core/year"
)

// A plan needs a place, its trees and its ensemble; all it decides goes out as values.
func ExampleMake() {
	site := almanac.Climates()[5]
	place, err := year.NewPlace(&site)
	if err != nil {
		fmt.Println(err)
		return
	}
	pear, _ := pomology.BySlug("pear")
	yard := &year.Yard{Place: place, FingertipCM: 220, Trees: []year.Tree{{
		ID: "t1", Code: "A1", Kind: pear, Planted: almanac.DateOf(2015, 3, 1), Gone: almanac.NoDay,
		Form: pomology.ModifiedLeader, Class: pomology.Dwarfing, HeightM: 2.6, SpreadM: 2, HasStake: true,
	}}}
	ensemble, err := almanac.NewEnsemble(&site, almanac.SiteSeed(site.Slug), nil, 2027)
	if err != nil {
		fmt.Println(err)
		return
	}
	plan, err := year.Make(yard, ensemble, almanac.DateOf(2027, 3, 10))
	if err != nil {
		fmt.Println(err)
		return
	}
	for _, t := range year.DocketOf(plan).Now {
		fmt.Println(t.Kind, t.State, "until", t.Window.Closes.Day)
	}
	// Output: dormant-cut open until 2027-04-05
}
