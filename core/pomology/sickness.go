package pomology

import "slices"

// Sickness is what trees of some kinds catch, how it shows in leaf, and what carries it outside the plot. General practice; which hosts
// matter is our choice.
type Sickness struct {
	Slug  string
	Name  string
	Look  string   // what to look for while in leaf
	Kinds []string // slugs
	Hosts []string // slugs of Hosts
	Kills bool     // wood, not leaf and fruit alone
}

// Host is a plant outside the plot that carries a sickness to the trees.
type Host struct {
	Slug string
	Name string
}

// sicknesses is the table; a new one is a row.
var sicknesses = []Sickness{
	{"scab", "scab", "olive spots on leaves, black ones on fruit", []string{"apple", "pear", "asian-pear"}, []string{"wild-apple"}, false},
	{"mildew", "powdery mildew", "shoot tips white as with flour", []string{"apple", "peach", "nectarine", "quince"}, []string{"wild-apple"}, false},
	{"fire-blight", "fire blight", "shoots that hang brown, as if scorched, with a bent tip", []string{"apple", "pear", "asian-pear", "quince", "medlar"}, []string{"hawthorn", "wild-apple"}, true},
	{"rust", "rust", "orange spots on the leaves", []string{"pear", "asian-pear", "apple", "quince", "medlar"}, []string{"juniper"}, false},
	{"canker", "canker", "sunken bark in rings, dead ends above it", []string{"apple", "pear", "asian-pear", "quince"}, []string{"wild-apple", "poplar"}, true},
	{"leaf-curl", "leaf curl", "leaves thick, red and curled in spring", []string{"peach", "nectarine"}, nil, false},
	{"brown-rot", "brown rot", "blossoms brown and hanging, later rotten fruit that dries on the tree", []string{"peach", "nectarine", "apricot", "european-plum", "japanese-plum", "hybrid-plum", "sweet-cherry", "sour-cherry"}, []string{"wild-cherry"}, true},
	{"bacterial-canker", "bacterial canker", "gum, and shot-holed leaves above it", []string{"peach", "nectarine", "apricot", "european-plum", "japanese-plum", "hybrid-plum", "sweet-cherry", "sour-cherry"}, []string{"wild-cherry"}, true},
	{"silver-leaf", "silver leaf", "leaves with a leaden shine on one limb", []string{"peach", "nectarine", "apricot", "european-plum", "japanese-plum", "hybrid-plum", "sweet-cherry", "sour-cherry", "apple"}, []string{"poplar"}, true},
}

// hosts is the table of what stands outside a plot.
var hosts = []Host{
	{"juniper", "junipers"},
	{"hawthorn", "hawthorn, firethorn or cotoneaster"},
	{"wild-apple", "apples or pears that nobody tends"},
	{"wild-cherry", "wild or untended cherries, plums or blackthorn"},
	{"poplar", "old poplars or willows"},
}

// Hosts lists what may stand outside a plot.
func Hosts() []Host { return slices.Clone(hosts) }

// SicknessesOf lists what trees of a kind catch, in the order of the table.
func SicknessesOf(k *Kind) []Sickness {
	var out []Sickness
	for _, s := range sicknesses {
		if slices.Contains(s.Kinds, k.Slug) {
			out = append(out, s)
		}
	}
	return out
}

// Threat is a sickness that comes to a tree from what stands outside the plot.
type Threat struct {
	Sickness Sickness
	Host     Host
}

// Threats are what hosts near a plot bring to a tree of a kind that does not resist it.
func Threats(k *Kind, near, resists []string) []Threat {
	var out []Threat
	for _, s := range SicknessesOf(k) {
		if slices.Contains(resists, s.Slug) {
			continue
		}
		for _, h := range hosts {
			if slices.Contains(s.Hosts, h.Slug) && slices.Contains(near, h.Slug) {
				out = append(out, Threat{s, h})
				break // one is enough to look for it
			}
		}
	}
	return out
}

// Sicknesses lists all of them.
func Sicknesses() []Sickness { return slices.Clone(sicknesses) }
