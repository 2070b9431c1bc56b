package pomology

// Bloom is one tree's flowering for pollination: days are whole numbers of any one running count, Last included.
// Known is false when bloom could not be predicted.
type Bloom struct {
	ID          string
	Kind        *Kind
	Cultivar    string // two trees of one named cultivar do not serve each other; empty is taken as different
	Triploid    bool   // gives no pollen back
	SelfFertile string // yes or no, as its label says; empty: as its kind
	First, Last int
	Known       bool
	TooYoung    bool // will not flower yet
	HardCut     bool // cut so hard that it will not bloom this year
	Elsewhere   bool // a neighbour's tree, noted as a partner
}

// Overlap of a tree with one possible partner, in days; Enough when it reaches what the kind wants.
type Overlap struct {
	Partner string
	Days    int
	Enough  bool
}

// MinOverlapDays is the overlap below which company is warned of (kinds.md#habit-forms-company); pear wants five.
const MinOverlapDays = 3

// CompanyVerdict is what is known of one tree's pollination.
type CompanyVerdict struct {
	ID       string
	Needs    bool // fruits poorly or not at all alone
	Overlaps []Overlap
	Warning  string // slug: "", "no-partner", "short-overlap", "bloom-unknown", "partner-hard-cut"
	WantDays int
}

// Companions works out who serves whom among the trees of a plot.
func Companions(trees []Bloom) []CompanyVerdict {
	byKind := map[string][]*Bloom{}
	for i := range trees {
		slug := trees[i].Kind.Slug
		byKind[slug] = append(byKind[slug], &trees[i])
	}
	out := make([]CompanyVerdict, 0, len(trees))
	for i := range trees {
		if !trees[i].Elsewhere {
			out = append(out, companyOf(&trees[i], byKind))
		}
	}
	return out
}

// needs says whether a tree wants a partner: by its label, else by its kind.
func (t *Bloom) needs() bool {
	switch t.SelfFertile {
	case "yes":
		return false
	case "no":
		return len(t.Kind.Partners) > 0
	}
	return t.Kind.SelfFertile != "yes" && len(t.Kind.Partners) > 0
}

// companyOf judges one tree; byKind holds all trees of the plot by the slug of their kind.
func companyOf(t *Bloom, byKind map[string][]*Bloom) CompanyVerdict {
	want := MinOverlapDays
	if t.Kind.MinOverlapDays > 0 {
		want = t.Kind.MinOverlapDays
	}
	v := CompanyVerdict{ID: t.ID, Needs: t.needs(), WantDays: want}
	if !v.Needs {
		return v
	}
	found, enough, hardCut, unknown := false, false, false, false
	for _, slug := range t.Kind.Partners {
		for _, p := range byKind[slug] {
			if p.ID == t.ID || p.Triploid || p.TooYoung || sameCultivar(t, p) {
				continue
			}
			if p.HardCut {
				hardCut = true
				continue
			}
			if !p.Known || !t.Known {
				unknown = true
				continue
			}
			days := max(0, min(t.Last, p.Last)-max(t.First, p.First)+1)
			v.Overlaps = append(v.Overlaps, Overlap{p.ID, days, days >= want})
			found, enough = true, enough || days >= want
		}
	}
	switch {
	case enough:
	case found:
		v.Warning = "short-overlap"
	case hardCut:
		v.Warning = "partner-hard-cut"
	case unknown:
		v.Warning = "bloom-unknown"
	default:
		v.Warning = "no-partner"
	}
	return v
}

func sameCultivar(t, p *Bloom) bool {
	return t.Cultivar != "" && t.Cultivar == p.Cultivar && t.Kind == p.Kind
}

// SolePartners maps each tree to those that would lose their only sufficient partner if it stopped flowering (removed,
// or cut too hard).
func SolePartners(verdicts []CompanyVerdict) map[string][]string {
	out := map[string][]string{}
	for _, v := range verdicts {
		only, n := "", 0
		for _, o := range v.Overlaps {
			if o.Enough {
				only, n = o.Partner, n+1
			}
		}
		if n == 1 {
			out[only] = append(out[only], v.ID)
		}
	}
	return out
}
