package crop

import (
	"cmp"
	"math"
	"slices"

	"vertumna/core/almanac"
	"vertumna/core/limb"
	"vertumna/core/num"
	"vertumna/core/pomology"
)

// Season is a tree's fruit in one season as the journal has it; nil is not recorded.
type Season struct {
	Year        int         `json:"year"`
	Set         *float64    `json:"set,omitempty" doc:"fruit before thinning, from the counts"`
	Left        *int        `json:"left,omitempty" doc:"fruit left by thinning"`
	Taken       *int        `json:"taken,omitempty" doc:"fruit taken by thinning"`
	TakenOn     almanac.Day `json:"-"`
	Picked      *int        `json:"picked,omitempty"`
	KG          *float64    `json:"kg,omitempty"`
	Alive       *float64    `json:"alive,omitempty" doc:"share of the flower buds alive after its frosts"`
	First, Last almanac.Day `json:"-"`
	Quality     string      `json:"quality,omitempty"`
}

// Told: the journal has something of the season's fruit. A limb that broke tells nothing of it.
func (s *Season) Told() bool {
	return s.Set != nil || s.Left != nil || s.Picked != nil || s.KG != nil || s.Alive != nil || s.First.Known()
}

// MassG is the mean weight of a fruit picked, 0 where count or kilos are missing.
func (s *Season) MassG() float64 {
	if s.Picked == nil || s.KG == nil || *s.Picked == 0 {
		return 0
	}
	return 1000 * *s.KG / float64(*s.Picked)
}

// Carried is the fruit the tree carried to ripeness as far as is known: picked, else left, else set.
func (s *Season) Carried() (fruit float64, known bool) {
	switch {
	case s.Picked != nil:
		return float64(*s.Picked), true
	case s.Left != nil:
		return float64(*s.Left), true
	case s.Set != nil:
		return *s.Set, true
	}
	return 0, false
}

// frozenBelow: with so few buds alive there is no crop to speak of, and the next year rebounds (est.).
const frozenBelow = 0.3

func (s *Season) frozen() bool { return s.Alive != nil && *s.Alive < frozenBelow }

// Standing is how a tree comes into a season, and by which rule.
type Standing struct {
	State     string  `json:"state"` // normal, on, off, rebound
	Rule      string  `json:"rule"`  // freeze, load, alternation, unknown
	Load      float64 `json:"load"`  // of the season before, 1 a medium one; 0 unknown
	Bloom     float64 `json:"bloom"` // share expected; 0 unknown
	Year      int     `json:"year"`  // of the season it comes from
	RestsNext bool    `json:"rests_next" doc:"after a freeze: its heavy year, left unthinned, would leave it little bloom for the next"`
}

// StandingIn tells how a tree comes into a season: after a freeze it rebounds; else by what the last crop left of buds; else
// by the beat of its years. reference is the fruit of a medium crop; seasons are in order of years.
func StandingIn(k *pomology.Kind, seasons []Season, year, reference int) Standing {
	out := Standing{State: Normal, Rule: "unknown"}
	var before *Season
	var crops []*float64
	for i := range seasons {
		s := &seasons[i]
		if s.Year >= year {
			break
		}
		if s.Year == year-1 {
			before = s
		}
		for len(crops) < s.Year-seasons[0].Year { // years not recorded
			crops = append(crops, nil)
		}
		crops = append(crops, s.crop())
	}
	if before != nil {
		out.Year = before.Year
		if before.frozen() {
			out.State, out.Rule, out.Load = Rebound, "freeze", 0
			out.Bloom = bloomShare(k.Crop.Alternation, 0)
			out.RestsNext = restsAfterFreeze(k)
			return out
		}
		if b, ok := bloomAfter(k, before, reference); ok {
			return Standing{State: b.Next, Rule: "load", Load: b.Load, Bloom: b.BloomShare, Year: before.Year}
		}
	}
	if len(crops) >= 2 {
		if a, err := Alternate(CropsInput{crops}); err == nil && a.Next != "unknown" {
			out.State, out.Rule = a.Next, "alternation"
		}
	}
	return out
}

// reboundYears are the heavy year after a freeze, and the one after it.
const reboundYears = 2

// restsAfterFreeze tells whether a kind rests in the second year after a freeze, when the heavy one before it was left unthinned.
func restsAfterFreeze(k *pomology.Kind) bool {
	echo, err := FreezeEcho(EchoInput{Species: k.Slug, Years: reboundYears, Potential: unthinned})
	return err == nil && echo.Years[reboundYears-1].State == Off
}

// crop is one number for the year: kilos, else fruit in the kilos they would weigh.
func (s *Season) crop() *float64 {
	if s.KG != nil {
		return s.KG
	}
	if s.frozen() {
		zero := 0.0
		return &zero
	}
	return nil
}

// bloomAfter forecasts the bloom that follows a season's load.
func bloomAfter(k *pomology.Kind, s *Season, reference int) (Bloom, bool) {
	kept, known := s.Carried()
	if !known || reference < 1 {
		return Bloom{}, false
	}
	in := BloomInput{Species: k.Slug, Kept: min(int(num.Round(kept)), 100000), Reference: reference, DaysAfterBloom: 30}
	if s.Taken != nil {
		in.Removed = *s.Taken
	}
	b, err := ReturnBloom(in)
	return b, err == nil
}

// Reference is the fruit of a medium crop on a section, at least 1.
func Reference(k *pomology.Kind, sectionCM2 float64) int {
	return max(1, int(num.Round(k.Crop.DensityMedium*sectionCM2)))
}

// Years is a tree's crop over the years with what it means for the next one.
type Years struct {
	Seasons     []Season
	Alternation *Alternation // nil with fewer than two years
	Now         Standing     // into the season shown
	Next        *Bloom       // next year's, after the season shown; nil while nothing of it is known
}

// YearsOf reads a tree's seasons up to the one shown. Cost: the years. loadNow is the fruit the season shown is expected to
// carry, 0 where its own records tell.
func YearsOf(k *pomology.Kind, seasons []Season, year, reference int, loadNow float64) Years {
	slices.SortFunc(seasons, func(a, b Season) int { return cmp.Compare(a.Year, b.Year) })
	out := Years{Seasons: seasons, Now: StandingIn(k, seasons, year, reference)}
	if len(seasons) > 1 {
		var crops []*float64
		for y := seasons[0].Year; y <= seasons[len(seasons)-1].Year; y++ {
			var c *float64
			for i := range seasons {
				if seasons[i].Year == y {
					c = seasons[i].crop()
				}
			}
			crops = append(crops, c)
		}
		if a, err := Alternate(CropsInput{crops}); err == nil && a.Pairs > 0 {
			out.Alternation = &a
		}
	}
	this := Season{Year: year}
	for _, s := range seasons {
		if s.Year == year {
			this = s
		}
	}
	if _, known := this.Carried(); !known && loadNow > 0 {
		n := int(num.Round(loadNow))
		this.Left = &n
	}
	if b, ok := bloomAfter(k, &this, reference); ok {
		out.Next = &b
	} else if this.frozen() {
		zero := 0
		this.Left = &zero
		if b, ok := bloomAfter(k, &this, reference); ok {
			out.Next = &b
		}
	}
	return out
}

// PlotCrop is a plot's kilos in a year, and how many trees they are the record of.
type PlotCrop struct {
	Year  int
	KG    float64
	Trees int
}

// AlternatePlot measures the alternation of a plot, over the years that have at least half as many trees on record as the
// fullest; years are in order. ok is false with fewer than two such years.
func AlternatePlot(years []PlotCrop) (a Alternation, ok bool) {
	most := 0
	for _, y := range years {
		most = max(most, y.Trees)
	}
	var crops []*float64
	last := 0
	for _, y := range years {
		if 2*y.Trees < most {
			continue
		}
		for ; len(crops) > 0 && last < y.Year-1; last++ {
			crops = append(crops, nil)
		}
		kg := y.KG
		crops, last = append(crops, &kg), y.Year
	}
	if len(crops) < 2 {
		return Alternation{}, false
	}
	a, err := Alternate(CropsInput{crops})
	return a, err == nil && a.Pairs > 0
}

// Need is what a household wants of a kind.
type Need struct {
	Kind string
	KG   float64 // on the tree, losses included
}

// Coming is a tree's crop to come.
type Coming struct {
	Tree       string
	Kind       *pomology.Kind
	KG         float64
	Opens      almanac.Day // of its harvest; NoDay where unknown
	Closes     almanac.Day
	Standing   Standing
	WorstUse   float64 // of its limbs' limits
	Alternates bool
	Picked     bool // it came in: nothing of it can be thinned
}

// Week is what a week of harvest brings.
type Week struct {
	From almanac.Day
	KG   float64
}

// Supply is what is coming of a kind against what is wanted.
type Supply struct {
	Kind      *pomology.Kind
	NeedKG    float64
	ComingKG  float64
	Trees     int // that bear
	Enough    int // trees that would do, at what these bear this season; 0: nothing is wanted, or none bears
	Weeks     []Week
	ThinFirst []string // trees in the order to thin harder, where there is too much
	Why       []string // rule for each: load, on, alternates, most
}

// tooMuch: so much more than wanted is too much (est.).
const tooMuch = 1.15

// SupplyOf sets what is coming against what is wanted, kind by kind in the order of the kinds table. Cost: trees times weeks.
func SupplyOf(needs []Need, trees []Coming) []Supply {
	var out []Supply
	for _, k := range pomology.Kinds() {
		s := Supply{Kind: k}
		for _, n := range needs {
			if n.Kind == k.Slug {
				s.NeedKG += n.KG
			}
		}
		var of []Coming
		for _, t := range trees {
			if t.Kind.Slug == k.Slug {
				of = append(of, t)
				s.ComingKG += t.KG
			}
		}
		if s.NeedKG == 0 && len(of) == 0 {
			continue
		}
		s.Weeks, s.Trees = weeksOf(of), len(of)
		if s.NeedKG > 0 && s.ComingKG > 0 {
			s.Enough = int(math.Ceil(s.NeedKG/(s.ComingKG/float64(len(of))) - 1e-9))
		}
		if s.NeedKG > 0 && s.ComingKG > tooMuch*s.NeedKG {
			slices.SortStableFunc(of, func(a, b Coming) int { return cmp.Compare(urgency(&b), urgency(&a)) })
			for _, t := range of {
				if t.Picked {
					continue
				}
				s.ThinFirst = append(s.ThinFirst, t.Tree)
				s.Why = append(s.Why, whyThin(&t))
			}
		}
		out = append(out, s)
	}
	return out
}

func whyThin(t *Coming) string {
	switch {
	case t.WorstUse > 1:
		return "load"
	case t.Standing.State == On || t.Standing.State == Rebound:
		return "on"
	case t.Alternates:
		return "alternates"
	}
	return "most"
}

// urgency orders the trees of a kind: a limb that may break comes first, then a year that would cost the next, then the beat
// of years, then the heaviest.
func urgency(t *Coming) float64 {
	u := math.Min(t.KG, 999)
	switch whyThin(t) {
	case "load":
		u += 3000
	case "on":
		u += 2000
	case "alternates":
		u += 1000
	}
	return u
}

// weeksOf spreads each tree's crop over the weeks of its harvest, day by day alike.
func weeksOf(trees []Coming) []Week {
	byWeek := map[almanac.Day]float64{}
	for _, t := range trees {
		if !t.Opens.Known() || t.KG == 0 {
			continue
		}
		last := max(t.Opens, t.Closes)
		days := float64(last-t.Opens) + 1
		for d := t.Opens; d <= last; d++ {
			byWeek[d-almanac.Day(((int(d)%7)+7)%7)] += t.KG / days
		}
	}
	out := make([]Week, 0, len(byWeek))
	for d, kg := range byWeek {
		out = append(out, Week{d, kg})
	}
	slices.SortFunc(out, func(a, b Week) int { return cmp.Compare(a.From, b.From) })
	return out
}

// OwnMass is the tree's own weighed fruit brought to a medium crop, g, from its last harvest that was both weighed and counted;
// 0 where none was.
func OwnMass(k *pomology.Kind, seasons []Season, sectionCM2 float64) float64 {
	for i := len(seasons) - 1; i >= 0; i-- {
		if m := seasons[i].MassG(); m > 0 {
			return MassAtMedium(k, m, float64(*seasons[i].Picked), sectionCM2)
		}
	}
	return 0
}

// BasisSection is the section of the wood that carries a tree's crop, cm2: that of the limbs of its map, else of its measured
// scaffolds, or of its trunk where that is smaller; 0 where nothing was measured.
func BasisSection(m *limb.Map, trunkMM float64, scaffoldsMM []float64) float64 {
	section := 0.0
	if m != nil {
		for _, u := range read(m, nil, math.Inf(1)).units() {
			section += pomology.Section(u.diameterMM)
		}
	} else {
		for _, d := range scaffoldsMM {
			section += pomology.Section(d)
		}
	}
	if trunk := pomology.Section(trunkMM); trunk > 0 && (section == 0 || trunk < section) {
		return trunk
	}
	return section
}

// RemovedFrom is the share cut of what now stands, where whole limbs are among what was cut: the section measured now has
// already lost theirs. now and before are sections, cm2.
func RemovedFrom(now, before, removed float64) float64 {
	if now <= 0 || before <= 0 {
		return removed
	}
	return num.Clamp(1-(1-removed)*before/now, 0, removed)
}

// Safety is the factor between what breaks a limb and what it may carry, by how much wind it meets: knots and slant of grain
// 1.3, weeks of load 1.3, gusts 1.5; less in shelter, more on exposed ground (est.).
func Safety(exposure string) float64 {
	switch exposure {
	case "sheltered":
		return 2
	case "exposed":
		return 3
	}
	return 2.5
}
