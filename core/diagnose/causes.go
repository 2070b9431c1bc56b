package diagnose

// cause is a row of the table: what makes a cause likely or not. A new one is a row here and its words.
type cause struct {
	slug  string
	prior float64 // log-odds before anything is known
	facts []term
	asks  []ask
}

// term weighs a fact of the record.
type term struct {
	fact      Fact
	over      bool // holds at or over the limit, else at or under it
	limit     float64
	hit, miss float64 // log-odds where it holds, and where it does not
	rule      string
}

func (t term) holds(x float64) bool {
	if t.over {
		return x >= t.limit
	}
	return x <= t.limit
}

// ask weighs an answer.
type ask struct {
	question string
	yes, no  float64
}

func over(f Fact, limit, hit, miss float64, rule string) term {
	return term{f, true, limit, hit, miss, rule}
}

func under(f Fact, limit, hit, miss float64, rule string) term {
	return term{f, false, limit, hit, miss, rule}
}

// tells is the fact that makes a question needless.
var tells = map[string]Fact{
	"flowered": Bloomed, "thinned-by-hand": Thinned, "long-shoots": ShootRatio, "dry-weeks": RainMonth, "wet-after-dry": RainWeek, "sprouts-at-wounds": HardCut,
	"has-stake": Staked, "fruit-touching": HangingTo,
}

// causes by complaint. Priors and weights are our own estimates: 1 is a fair hint, 2 a strong one, 3 nearly decides.
var causes = map[Complaint][]cause{
	NoFruit: {
		{"too-young", -0.5, []term{over(YearsToBear, 1, 3.5, -3, "too-young")}, nil},
		{"frost", -0.3, []term{under(FrostAlive, 0.5, 2.5, -1.5, "frost-took")}, []ask{{"brown-hearts", 2.5, -1}, {"flowered", 0.7, -0.8}}},
		{"no-partner", -0.3, []term{under(Partner, 2, 2.2, -1.8, "no-partner"), under(PartnerWant, 0, -4, 0, "needs-no-partner")}, []ask{{"flowered", 0.8, -1.2}, {"cold-wet-bloom", -0.3, 0.2}}},
		{"poor-bloom-weather", -0.6, nil, []ask{{"cold-wet-bloom", 1.8, -1.2}, {"flowered", 0.6, -1.5}}},
		{"rest-year", -0.4, []term{over(RestYear, 1.3, 2.4, -1, "rest-after-load")}, []ask{{"flowered", -1.2, 1.2}, {"heavy-last-year", 2, -1.2}}},
		{"cut-away", -0.5, []term{over(HardCut, 0.25, 1.8, -0.8, "hard-cut"), over(BearsOnTips, 1, 0.8, -0.3, "bears-on-tips")}, []ask{{"flowered", -0.8, 0.8}, {"tips-shortened", 1.8, -0.6}}},
		{"too-strong", -0.5, []term{over(ShootRatio, 1.4, 1.6, -0.8, "long-shoots"), over(HardCut, 0.2, 0.6, 0, "hard-cut")}, []ask{{"long-shoots", 1.4, -0.8}, {"flowered", -0.9, 0.7}, {"much-feed", 1.2, -0.2}}},
		{"too-warm-winter", -1, []term{under(ChillMargin, 0, 2.6, -1.5, "chill-short")}, []ask{{"ragged-leaf", 1.8, -0.8}}},
		{"shade", -0.8, []term{under(LightLow, 0.35, 1.8, -0.9, "dark-crown")}, []ask{{"flowered", -0.5, 0.5}}},
	},
	SmallFruit: {
		{"too-many", 0.6, []term{over(HangingTo, 1.3, 2.4, -1.5, "too-many-hang"), over(Thinned, 1, -0.9, 0.9, "thinned")}, []ask{{"fruit-touching", 1.8, -1.2}, {"thinned-by-hand", -0.8, 0.9}}},
		{"drought", -0.2, []term{under(RainMonth, 25, 1.5, -1, "dry-month"), over(TubTight, 1, 1, 0, "tub-tight")}, []ask{{"dry-weeks", 1.4, -0.9}, {"leaves-hang", 1.6, -0.4}}},
		{"shade", -0.5, []term{under(LightLow, 0.4, 1.7, -0.8, "dark-crown")}, []ask{{"pale-inside", 1.5, -0.6}}},
		{"weak-tree", -0.6, []term{under(ShootRatio, 0.5, 1.6, -0.7, "short-shoots"), over(Sick, 1, 0.8, 0, "sick-places")}, []ask{{"small-pale-leaves", 1.6, -0.5}}},
		{"few-seeds", -1, []term{under(Partner, 2, 1.2, -0.4, "no-partner")}, []ask{{"lopsided", 2, -0.6}}},
	},
	OnlyTop: {
		{"shade-below", 0.4, []term{under(LightLow, 0.4, 2, -1.2, "dark-crown"), over(FruitAbove, 0.5, 0.8, -0.4, "buds-above")}, []ask{{"bare-inside", 1.2, -0.8}}},
		{"grown-away", 0.2, []term{over(OverReach, 0.4, 1.8, -1.5, "over-reach"), over(FruitAbove, 0.5, 1.2, -0.6, "buds-above")}, []ask{{"upright-limbs", 0.9, -0.5}}},
		{"spurs-worn", -0.5, nil, []ask{{"bare-inside", 0.8, -0.4}, {"old-spurs", 1.8, -0.6}}},
		{"frost-below", -0.8, []term{under(FrostAlive, 0.8, 1.2, -0.8, "frost-took")}, []ask{{"low-frost", 2, -0.8}}},
	},
	Sprouts: {
		{"hard-winter-cut", 0.5, []term{over(WinterShare, 0.2, 2.2, -0.9, "winter-share"), over(HardCut, 0.25, 0.9, -0.4, "hard-cut")}, []ask{{"sprouts-at-wounds", 1.6, -0.7}}},
		{"topped", 0, []term{over(Headed, 1, 2, -0.4, "headed-again"), over(Knots, 1, 1.2, -0.3, "knots")}, []ask{{"sprouts-at-top", 1.5, -0.6}}},
		{"flattened", -0.7, nil, []ask{{"sprouts-on-backs", 2.2, -0.8}}},
		{"struggling-above", -0.8, []term{over(Dead, 1, 1.2, -0.3, "dead-places"), over(Sick, 1, 0.8, -0.2, "sick-places")}, []ask{{"thin-above", 1.8, -0.6}}},
		{"from-the-stock", -0.6, nil, []ask{{"from-the-ground", 3, -1.5}}},
		{"much-feed", -0.7, []term{over(ShootRatio, 1.4, 1, -0.4, "long-shoots")}, []ask{{"much-feed", 1.8, -0.5}}},
	},
	DiesBack: {
		{"canker-or-blight", 0.2, []term{over(HostNear, 1, 0.7, 0, "host-near"), over(Resists, 1, -1.2, 0, "resists"), over(Sick, 1, 1.8, -0.5, "sick-places"), over(WetWinterSite, 1, 0.5, -0.2, "wet-winter")}, []ask{{"sunken-bark", 2.2, -0.9}, {"sudden-wilt", 0.9, -0.2}}},
		{"gum-and-silver", -0.2, []term{over(HostNear, 1, 0.5, 0, "host-near"), over(Resists, 1, -1.2, 0, "resists"), over(StoneFruit, 1, 1, -2.5, "stone"), over(WinterShare, 0.05, 0.9, -0.3, "winter-share"), over(WetWinterSite, 1, 0.7, -0.2, "wet-winter")}, []ask{{"gum", 1.8, -0.6}, {"silver-leaves", 2.6, -0.4}}},
		{"cold", -0.4, []term{over(ColdKill, 0, 1.8, -1.2, "cold-night")}, []ask{{"ends-only", 1, -0.4}, {"since-winter", 1.2, -0.9}}},
		{"borer", -0.6, nil, []ask{{"holes", 3, -0.9}}},
		{"wet-feet", -0.6, nil, []ask{{"water-stands", 2.4, -0.8}, {"all-over", 0.9, -0.3}}},
		{"drought", -0.5, []term{under(RainMonth, 20, 1.2, -0.8, "dry-month"), over(TubTight, 1, 1, 0, "tub-tight")}, []ask{{"dry-weeks", 1.4, -0.8}, {"ends-only", 0.6, -0.2}}},
		{"shade", -0.7, []term{under(LightLow, 0.3, 1.6, -0.7, "dark-crown")}, []ask{{"inside-only", 2, -0.8}}},
	},
	Leans: {
		{"no-stake", 0, []term{over(NeedsStake, 1, 1.5, -1.2, "needs-stake"), over(Staked, 1, -1.4, 1, "staked")}, []ask{{"has-stake", -1.2, 1}, {"stem-moves", 1.5, -0.8}}},
		{"wind-rock", -0.1, []term{over(Gusts, 1, 1.1, -0.5, "gusts"), over(YoungTree, 1, 0.5, -0.4, "young")}, []ask{{"hole-at-foot", 2.2, -0.7}, {"stem-moves", 1.2, -0.6}}},
		{"to-the-light", -0.1, []term{under(LightLow, 0.5, 1, -0.5, "dark-crown")}, []ask{{"leans-from-wall", 2, -0.8}}},
		{"one-sided-load", -0.3, []term{over(Laden, 0.9, 1.6, -0.6, "laden")}, []ask{{"with-the-crop", 2, -0.8}}},
		{"roots-gone", -0.9, nil, []ask{{"fast-lean", 2.2, -0.6}, {"fungus-foot", 2.4, -0.2}}},
	},
	DropsFruit: {
		{"natural-drop", 0.5, []term{over(DropTime, 1, 1.6, -2.5, "drop-time")}, []ask{{"smallest-fall", 1.4, -0.8}}},
		{"not-pollinated", -0.2, []term{under(Partner, 2, 1.2, -0.6, "no-partner"), over(DropTime, 1, 0.4, -1.5, "drop-time")}, []ask{{"tiny-fall", 1.8, -0.8}, {"cold-wet-bloom", 1, -0.5}}},
		{"frost", -0.3, []term{under(FrostAlive, 0.7, 1.8, -0.9, "frost-took"), over(DropTime, 1, 0.3, -1.2, "drop-time")}, []ask{{"brown-hearts", 2, -0.8}}},
		{"grub-inside", -0.2, nil, []ask{{"hole-in-fruit", 3, -1.2}}},
		{"drought", -0.3, []term{under(RainMonth, 20, 1.5, -0.9, "dry-month")}, []ask{{"dry-weeks", 1.4, -0.8}, {"leaves-hang", 1.4, -0.4}}},
		{"ripe", -0.3, []term{over(Ripening, 1, 1.8, -2.5, "ripening")}, []ask{{"stalk-lets-go", 2, -1}}},
		{"too-many", -0.2, []term{over(HangingTo, 1.3, 1.5, -0.7, "too-many-hang")}, []ask{{"fruit-touching", 1.2, -0.6}}},
	},
	Splits: {
		{"rain-after-dry", 0.3, []term{over(RainWeek, 25, 1.6, -0.8, "wet-week"), over(Ripening, 1, 0.8, -0.8, "ripening")}, []ask{{"skin-cracks", 2, -2}, {"wet-after-dry", 1.4, -0.6}}},
		{"narrow-fork", 0, []term{over(NarrowForks, 1, 1.4, -0.6, "narrow-forks")}, []ask{{"fork-tears", 2.6, -1.8}}},
		{"overloaded", 0, []term{over(Laden, 0.9, 1.8, -0.7, "laden")}, []ask{{"limb-breaks", 2.2, -1.5}, {"with-the-crop", 1, -0.5}}},
		{"sun-and-frost", -0.3, []term{over(YoungTree, 1, 0.5, 0, "young")}, []ask{{"bark-splits", 2.6, -1.8}}},
		{"stone-splits", -0.5, []term{over(StoneFruit, 1, 0.6, -3, "stone"), over(Thinned, 1, 0.7, -0.2, "thinned")}, []ask{{"split-stones", 2.8, -0.9}}},
	},
}
