package almanac_test

import (
	"testing"

	"vertumna/core/almanac"
	"vertumna/core/pomology"
)

// skillSeasons are how many seasons a site is forecast for; five sites make two hundred.
const skillSeasons = 40

// BenchmarkSkillOfBloom forecasts full bloom thirty days ahead over two hundred simulated seasons whose truth is known, and tells how often
// the middle is within five days, and how often the stated span holds it.
func BenchmarkSkillOfBloom(b *testing.B) {
	kinds := []*pomology.Kind{}
	for _, slug := range []string{"apple", "pear", "peach", "sweet-cherry", "european-plum"} {
		kind, err := pomology.BySlug(slug)
		if err != nil {
			b.Fatal(err)
		}
		kinds = append(kinds, kind)
	}
	for b.Loop() {
		all, close, held := 0, 0, 0
		for at, s := range almanac.Climates()[:5] {
			for k := range skillSeasons {
				kind := kinds[(at+k)%len(kinds)]
				season := 2010 + k
				from, to := almanac.SeasonStart(season, s.South()), almanac.SeasonEnd(season, s.South())
				days, err := almanac.Weather(&s, almanac.Mix(uint64(77*k+5)), from, to) // not the seed that the members continue with
				if err != nil {
					b.Fatal(err)
				}
				truth := almanac.Temps(days)
				r := almanac.StageRequest{Kind: kind, Season: season, LeafFallBefore: almanac.NoDay}
				res, err := almanac.StagesOf(s.Lat, truth, r)
				if err != nil {
					b.Fatal(err)
				}
				bloom := res.Dates[almanac.FullBloom]
				if !bloom.Known() {
					continue
				}
				e, err := almanac.NewEnsembleTo(&s, almanac.SiteSeed(s.Slug), truth[:int(bloom-30-from)+1], season, bloom+60)
				if err != nil {
					b.Fatal(err)
				}
				got, err := e.Stages(r)
				if err != nil {
					b.Fatal(err)
				}
				span := got.Spans[almanac.FullBloom]
				all++
				if d := span.Median - bloom; d >= -5 && d <= 5 {
					close++
				}
				if bloom >= span.Early && bloom <= span.Late {
					held++
				}
			}
		}
		b.ReportMetric(100*float64(close)/float64(all), "%within5days")
		b.ReportMetric(100*float64(held)/float64(all), "%insidespan")
		b.ReportMetric(float64(all), "seasons")
	}
}

// BenchmarkTenYearsFortyTrees dates the stages of forty trees over ten years of daily weather of one site.
func BenchmarkTenYearsFortyTrees(b *testing.B) {
	s := almanac.Climates()[0]
	days, err := almanac.Weather(&s, almanac.SiteSeed(s.Slug), almanac.SeasonStart(2017, false), almanac.SeasonEnd(2026, false))
	if err != nil {
		b.Fatal(err)
	}
	truth := almanac.Temps(days)
	kinds := pomology.Kinds()
	classes := []string{"low", "mid", "high"}
	for b.Loop() {
		run, err := almanac.NewRun(s.Lat, truth)
		if err != nil {
			b.Fatal(err)
		}
		for season := 2017; season <= 2026; season++ {
			for k := range 40 {
				r := almanac.StageRequest{Kind: kinds[k%len(kinds)], Season: season, ChillClass: classes[k%3], LeafFallBefore: almanac.NoDay}
				if _, err := run.Stages(r); err != nil {
					b.Fatal(err)
				}
			}
		}
	}
}
