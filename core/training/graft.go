package training

import (
	"math"

	"vertumna/core/given"
	"vertumna/core/num"
	"vertumna/core/pomology"
)

// GraftShoot is a shoot that grafting wood could be cut from.
type GraftShoot struct {
	ID         string  `json:"id" in:"id"`
	AgeYears   int     `json:"age_years" in:"[1,100]"`
	DiameterMM float64 `json:"diameter_mm" in:"(0,1500]"`
	LengthCM   float64 `json:"length_cm" in:"(0,2000]"`
	Light      float64 `json:"light" in:"[0,1] = 1"`
	Buds       string  `json:"buds" in:"leaf|mixed|flower = leaf"`
	Sound      bool    `json:"sound" in:"= true"`
	Sprout     bool    `json:"sprout" in:"= false"`
}

// GraftWood asks which shoots give grafting wood.
type GraftWood struct {
	WeeksToSwell float64      `json:"weeks_to_swell" in:"[-30,52]"`
	Leafless     bool         `json:"leafless" in:"= true"`
	PieceCM      float64      `json:"piece_cm" in:"[5,60] = 22"`
	Wanted       *int         `json:"wanted" in:"? [0,1000]"`
	Stone        bool         `json:"stone" in:"= false"` // thicker pieces: thin ones of stone fruit slide on one another
	Shoots       []GraftShoot `json:"shoots" in:"list 1"`
}

// GraftFit is a shoot with the pieces it gives; GraftUnfit one that gives none, and why.
type GraftFit struct {
	ID     string `json:"id"`
	Pieces int    `json:"pieces"`
}

// GraftUnfit is a shoot that gives none, with the first reason.
type GraftUnfit struct {
	ID     string `json:"id"`
	Reason string `json:"reason"`
}

// GraftPieces is the answer. State is not_dormant, open, closing or late.
type GraftPieces struct {
	State     string       `json:"state"`
	Fit       []GraftFit   `json:"fit"`
	Unfit     []GraftUnfit `json:"unfit"`
	Pieces    int          `json:"pieces"`
	WeeksLeft float64      `json:"weeks_left"`
	Warnings  []string     `json:"warnings"`
}

// What makes wood fit for grafting (est.).
const (
	graftThinMM   = 6
	graftThickMM  = 9
	graftStoneMM  = 11
	graftLight    = 0.5
	graftUse      = 0.8 // the soft fifth goes
	graftBlindCM  = 5   // and the blind base
	graftWeeksEnd = 2   // before buds swell
)

// CutGraftWood sorts shoots by what they give, `graft_wood`. Errors: given.Faults.
func CutGraftWood(in GraftWood) (GraftPieces, error) {
	if err := given.Check(in).Err(); err != nil {
		return GraftPieces{}, err
	}
	out := GraftPieces{Fit: []GraftFit{}, Unfit: []GraftUnfit{}, WeeksLeft: math.Max(0, in.WeeksToSwell-graftWeeksEnd), Warnings: []string{}}
	for _, s := range in.Shoots {
		if pieces, why := s.pieces(in.PieceCM, in.Stone); why != "" {
			out.Unfit = append(out.Unfit, GraftUnfit{s.ID, why})
		} else {
			out.Fit = append(out.Fit, GraftFit{s.ID, pieces})
			out.Pieces += pieces
		}
	}
	if in.Wanted != nil && out.Pieces < *in.Wanted {
		out.Warnings = append(out.Warnings, WShort)
	}
	switch {
	case !in.Leafless:
		out.State = "not_dormant"
	case in.WeeksToSwell > graftWeeksEnd:
		out.State = "open"
	case in.WeeksToSwell > 0:
		out.State = "closing"
	default:
		out.State = "late"
		out.Warnings = append(out.Warnings, WUseAtOnce)
	}
	return out, nil
}

func (s GraftShoot) pieces(pieceCM float64, stone bool) (int, string) {
	thin, thick := float64(graftThinMM), float64(graftThickMM)
	if stone {
		thin, thick = graftThickMM-2, graftStoneMM
	}
	n := int(num.Floor((graftUse*s.LengthCM - graftBlindCM) / pieceCM))
	switch {
	case !s.Sound:
		return 0, "sick"
	case s.AgeYears != 1:
		return 0, "age"
	case s.DiameterMM < thin:
		return 0, "thin"
	case s.DiameterMM > thick:
		return 0, "thick"
	case s.Buds != "leaf":
		return 0, "buds"
	case s.Light < graftLight:
		return 0, "shade"
	case s.Sprout:
		return 0, "sprout"
	case n < 1:
		return 0, "short"
	}
	return n, ""
}

// GraftLog is a graft as it was made: wood of a mother tree on a host. Took is how many pieces grew, once that is seen.
type GraftLog struct {
	Mother string `json:"mother,omitempty" maxLength:"60" doc:"id of the tree the wood came from"`
	Source string `json:"source,omitempty" maxLength:"200" doc:"where it came from otherwise"`
	Kind   string `json:"kind,omitempty" maxLength:"40" doc:"slug of the kind of the wood; of a look at a graft: absent, it is the graft's"`
	Way    string `json:"way,omitempty" enum:"whip,cleft,bark,chip,bud"`
	Limb   string `json:"limb,omitempty" maxLength:"60" doc:"of the host"`
	Pieces int    `json:"pieces,omitempty" minimum:"0" maximum:"1000"`
	Took   int    `json:"took,omitempty" minimum:"0" maximum:"1000"`
}

// Seen is a graft as it was made, with how many pieces grew as they were counted later.
func (g GraftLog) Seen(look GraftLog) GraftLog {
	g.Took = look.Took
	if look.Pieces > 0 {
		g.Pieces = look.Pieces
	}
	return g
}

// Takes says whether wood of a kind takes on a host of another, by their slugs: on its own kind, and on what the table of the year
// names with it.
func Takes(host, wood string) bool {
	h, err := pomology.BySlug(host)
	w, unknown := pomology.BySlug(wood)
	return host == wood || err == nil && unknown == nil && h.Year.GraftsWith == w.Year.GraftsWith
}

// CheckGraft refuses a graft that cannot take. Errors: given.Faults.
func CheckGraft(g GraftLog, host string) error {
	var fs given.Faults
	if k := pomology.Named(&fs, g.Kind); k != nil && !Takes(host, g.Kind) {
		fs.Add(given.Conflict, "grafted.kind", g.Kind, "wood that takes on "+host+": its own kind, or one near to it")
	}
	if g.Took > g.Pieces {
		fs.Add(given.Conflict, "grafted.took", num.Text(float64(g.Took)), "at most the "+num.Text(float64(g.Pieces))+" pieces set")
	}
	return fs.Err()
}
