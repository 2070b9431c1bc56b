package almanac_test

import (
	"fmt"

	"vertumna/core/almanac"
	"vertumna/core/pomology"
)

func ExampleSunOn() {
	sun, err := almanac.SunOn(almanac.DateOf(2027, 6, 21), 46.9, 15.4)
	if err != nil {
		fmt.Println(err)
		return
	}
	fmt.Printf("%.1f hours\n", sun.DayLengthMin/60)
	// Output: 15.9 hours
}

func ExampleClassify() {
	for _, s := range almanac.Climates()[:3] {
		c, err := almanac.Classify(&s)
		if err != nil {
			fmt.Println(err)
			return
		}
		fmt.Println(s.Slug, c.Cold, c.Wetness, c.StoneCut)
	}
	// Output:
	// oceanic-47n cool wet summer
	// continental-45n cold dry from_bud_break
	// mediterranean-37n cool dry late_winter
}

func ExampleEnsemble_Stages() {
	site := almanac.Climates()[5]
	e, err := almanac.NewEnsemble(&site, almanac.SiteSeed(site.Slug), nil, 2027)
	if err != nil {
		fmt.Println(err)
		return
	}
	apple, _ := pomology.BySlug("apple")
	spans, err := e.Stages(almanac.StageRequest{Kind: apple, LeafFallBefore: almanac.NoDay})
	if err != nil {
		fmt.Println(err)
		return
	}
	bloom := spans.Spans[almanac.FullBloom]
	fmt.Println(bloom.Early, bloom.Median, bloom.Late)
	// Output: 2027-04-22 2027-05-02 2027-05-08
}
