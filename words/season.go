package words

import (
	"fmt"
	"math"

	"vertumna/core/almanac"
	"vertumna/core/pomology"
	"vertumna/core/year"
)

// ChillSays tells where the winter's cold stands.
func (s Speaker) ChillSays(day almanac.Day, c almanac.Course, got float64) string {
	switch {
	case !c.Met.Median.Known():
		return fmt.Sprintf("This winter is not expected to gather the %.0f portions of cold it wants: bloom may be late and ragged, or fail.", c.Need)
	case c.Met.Median <= day:
		return fmt.Sprintf("Its %.0f portions of cold were met on %s: from then on warmth moves the buds.", c.Need, s.Day(c.Met.Median))
	}
	return fmt.Sprintf("%.0f of the %.0f portions of cold it wants; met about %s, between %s and %s.", math.Floor(got), c.Need, s.Day(c.Met.Median), s.Day(c.Met.Early), s.Day(c.Met.Late))
}

// WarmthSays tells where the spring's warmth stands.
func (s Speaker) WarmthSays(day almanac.Day, c almanac.Course, got float64) string {
	switch {
	case !c.Met.Median.Known() || day < c.Met.Median:
		return "Warmth counts once the cold is met."
	case got >= 1:
		return "It had all the warmth that full bloom asks for."
	}
	return fmt.Sprintf("Warmth: %.0f %% of what full bloom asks for.", math.Floor(100*got))
}

// FrostSays tells what the frosts of a season left.
func (s Speaker) FrostSays(table bool, alive, enough float64, worst *year.Night) string {
	switch {
	case !table:
		return "It blooms after the frosts, or nothing sure is known of what kills its buds: no share is reckoned."
	case worst == nil:
		return "No night has hurt its buds so far."
	}
	out := fmt.Sprintf("%s on %s: about %.0f %% of the buds are alive.", s.Amount(worst.Tmin, "C"), s.Day(worst.Date), 100*alive)
	if alive >= enough {
		return out + fmt.Sprintf(" %.0f %% still make a crop: thin late.", 100*enough)
	}
	return out + fmt.Sprintf(" Under %.0f %% there is little to pick: count before you hope or give up.", 100*enough)
}

// FruitSize tells what was measured of the fruit against what is expected.
func (s Speaker) FruitSize(curve, thisYear bool, measured int, aheadMM float64) string {
	switch {
	case !curve:
		return "No fruit is expected this season."
	case measured == 0:
		return "Nothing is measured yet: ten fruitlets across the cheeks tell where it stands."
	case !thisYear:
		return "Measured points are last year's, laid on this year's days."
	case math.Abs(aheadMM) < 1:
		return "As large as expected for the day."
	case aheadMM > 0:
		return fmt.Sprintf("%s larger than expected for the day.", upper(s.Amount(aheadMM, "mm")))
	}
	return fmt.Sprintf("%s smaller than expected for the day: too many left on, drought, or a cool spell.", upper(s.Amount(-aheadMM, "mm")))
}

// Lag tells what a tree's own past taught; empty where it taught nothing.
func (s Speaker) Lag(h year.Lag) string {
	if h.Seasons == 0 {
		return ""
	}
	part := func(d float64) string {
		n := int(math.Round(math.Abs(d)))
		switch {
		case n == 0:
			return "on the day"
		case d > 0:
			return plural(n, "day") + " later"
		}
		return plural(n, "day") + " sooner"
	}
	return fmt.Sprintf("From %s that you logged: its spring comes %s than the model says, its fruit %s. That is in the forecast; each year adds to it.",
		plural(h.Seasons, "season"), part(h.Spring), part(h.Fruit))
}

// HowRight counts the stages that fell within their span.
func (s Speaker) HowRight(inside, all int) string {
	return fmt.Sprintf("%d of %d inside the span", inside, all)
}

// StageLook says how a stage looks on a tree.
func (s Speaker) StageLook(st almanac.Stage, t *year.Tree) string {
	stone := t.Kind.Group == pomology.Stone
	switch st {
	case almanac.BudSwell:
		if stone {
			return "buds fatten, scales part"
		}
		return "silver between the scales"
	case almanac.FirstBloom:
		return "one flower in ten is open"
	case almanac.FullBloom:
		if t.Kind.Slug == "fig" {
			return "five leaves out, first figs show"
		}
		return "half are open"
	case almanac.PetalFall:
		return "most are down"
	case almanac.HarvestStart:
		return "the first are ripe"
	case almanac.LeafFall:
		return "half the leaves are down"
	}
	return ""
}

// SeeKind names a stage of a kind that one may see.
func (s Speaker) SeeKind(k *pomology.Kind, st almanac.Stage) string {
	return fmt.Sprintf("%s: %s", k.Name, s.Anchor(st.String()))
}
