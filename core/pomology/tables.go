package pomology

import (
	_ "embed" // the tables ship inside the program
	"encoding/csv"
	"encoding/json"
	"errors"
	"fmt"
	"strconv"
	"strings"
)

//go:embed tables/kinds.json
var kindsJSON string

//go:embed tables/care.csv
var careCSV string

//go:embed tables/size.csv
var sizeCSV string

//go:embed tables/phenology.csv
var phenologyCSV string

//go:embed tables/chill_hours.csv
var chillHoursCSV string

//go:embed tables/growth.csv
var growthCSV string

//go:embed tables/crop.csv
var cropCSV string

//go:embed tables/bending.csv
var bendingCSV string

//go:embed tables/year.csv
var yearCSV string

// Source says where the numbers of one table come from.
type Source struct{ Table, From string }

// Sources lists the origin of every table; screens and docs/models/README.md quote it.
func Sources() []Source {
	return []Source{
		{"kinds", "middle values of common practice for small gardens; ours"},
		{"care", "our estimates"},
		{"size", "middle values of common practice for small gardens; ours"},
		{"phenology", "model form after Fishman, Erez and Couvillon 1987 (chill) and Anderson, Richardson and Kesner 1986 (heat); species numbers fitted here"},
		{"chill_hours", "ranges growers quote; display only"},
		{"growth", "middle of published ranges for bearing trees; ours"},
		{"crop", "leaves per fruit after Haller and Magness 1925 and Weinberger 1931 for apple and peach; the rest our estimates"},
		{"bending", "our estimates"},
		{"year", "days of harvest, wood for grafting and cautions after common practice; shares alive and spurs a metre our estimates"},
		{"schools", "growers' common practice; ours"},
	}
}

type loaded struct {
	kinds   []*Kind
	bySlug  map[string]*Kind
	choices []Choice
	presets []Preset
}

var tables = mustLoad()

// mustLoad reads the embedded tables. It panics on a bad table: the program must not start on wrong numbers, and the
// tests of this package would have stopped such a build.
func mustLoad() loaded {
	t := loaded{bySlug: map[string]*Kind{}}
	if err := json.Unmarshal([]byte(kindsJSON), &t.kinds); err != nil {
		panic(fmt.Sprintf("pomology: kinds.json: %v", err))
	}
	for _, k := range t.kinds {
		k.Sizes = map[VigourClass]Size{}
		t.bySlug[k.Slug] = k
	}
	err := errors.Join(
		each("care", careCSV, t.bySlug, readCare),
		each("size", sizeCSV, t.bySlug, readSize),
		each("phenology", phenologyCSV, t.bySlug, readPhenology),
		each("chill_hours", chillHoursCSV, t.bySlug, readChillHours),
		each("growth", growthCSV, t.bySlug, readGrowth),
		each("crop", cropCSV, t.bySlug, readCrop),
		each("bending", bendingCSV, t.bySlug, readBending),
		each("year", yearCSV, t.bySlug, readYear),
		loadSchools(&t),
		check(&t),
	)
	if err != nil {
		panic("pomology: " + err.Error())
	}
	return t
}

// row reads the named cells of one line and gathers what is wrong with them.
type row struct {
	cells map[string]string
	read  map[string]bool
	errs  []error
}

func (r *row) text(name string) string {
	r.read[name] = true
	v, ok := r.cells[name]
	if !ok {
		r.errs = append(r.errs, fmt.Errorf("no column %q", name))
	}
	return v
}

func (r *row) num(name string) float64 {
	v, err := strconv.ParseFloat(r.text(name), 64)
	if err != nil {
		r.errs = append(r.errs, fmt.Errorf("%s: %w", name, err))
	}
	return v
}

func (r *row) yes(name string) bool {
	v := r.text(name)
	if v != "yes" && v != "no" {
		r.errs = append(r.errs, fmt.Errorf("%s: %q is neither yes nor no", name, v))
	}
	return v == "yes"
}

// words are the words of a cell; none where it has "-".
func (r *row) words(name string) []string {
	if v := r.text(name); v != "-" {
		return strings.Fields(v)
	}
	return nil
}

func (r *row) whole(name string) int { return int(r.num(name)) }

// maybe reads a number where "-" or nothing means that there is none.
func (r *row) maybe(name string) *float64 {
	if v := r.text(name); v == "-" || v == "" {
		return nil
	}
	v := r.num(name)
	return &v
}

func (r *row) orZero(name string) float64 {
	if v := r.maybe(name); v != nil {
		return *v
	}
	return 0
}

func each(table, text string, kinds map[string]*Kind, read func(*row, *Kind)) error {
	lines, err := csv.NewReader(strings.NewReader(text)).ReadAll()
	if err != nil {
		return fmt.Errorf("%s: %w", table, err)
	}
	seen := map[string]bool{}
	var errs []error
	for _, line := range lines[1:] {
		r := &row{cells: map[string]string{}, read: map[string]bool{"slug": true}}
		for i, name := range lines[0] {
			r.cells[name] = line[i]
		}
		k, ok := kinds[line[0]]
		if !ok {
			errs = append(errs, fmt.Errorf("%s: unknown kind %q", table, line[0]))
			continue
		}
		seen[line[0]] = true
		read(r, k)
		for _, name := range lines[0] {
			if !r.read[name] {
				r.errs = append(r.errs, fmt.Errorf("nobody reads the column %q", name))
			}
		}
		for _, e := range r.errs {
			errs = append(errs, fmt.Errorf("%s: %s: %w", table, line[0], e))
		}
	}
	for slug := range kinds {
		// the size table gives nectarine the row of peach, and so on; every other table has one row a kind
		if !seen[slug] {
			errs = append(errs, fmt.Errorf("%s: no row for %s", table, slug))
		}
	}
	return errors.Join(errs...)
}

func readCare(r *row, k *Kind) {
	k.Care = Care{r.whole("years_lived"), r.whole("years_to_full_crop"), r.whole("hours_a_year"), r.whole("difficulty")}
}

func readSize(r *row, k *Kind) {
	k.Sizes[VigourClass(r.text("class"))] = Size{r.num("height_m"), r.num("spread_m"), r.num("distance_m")}
}

func readPhenology(r *row, k *Kind) {
	k.Phenology = Phenology{
		ChillLow: r.num("chill_low"), ChillMid: r.num("chill_mid"), ChillHigh: r.num("chill_high"),
		HeatGDH: r.num("heat_gdh"), FSwell: r.num("f_swell"), FBreak: r.num("f_break"), FFirst: r.num("f_first"),
		PetalFall: r.maybe("petal_fall"), Fruit10: r.maybe("fruit10"), Fruit18: r.maybe("fruit18"),
		Fruit24: r.maybe("fruit24"), PitHarden: r.maybe("pit_hardening"),
		DropEnd: r.num("drop_end"), ShootSlowing: r.num("shoot_slowing"),
		HarvestEarly: r.num("harvest_early"), HarvestMid: r.num("harvest_mid"), HarvestLate: r.num("harvest_late"),
		LeafTC: r.num("leaf_t_c"),
	}
	if nb := r.text("not_before"); nb != "-" {
		if _, err := fmt.Sscanf(nb, "%d-%d", &k.Phenology.NotBeforeMonth, &k.Phenology.NotBeforeDay); err != nil {
			r.errs = append(r.errs, fmt.Errorf("not_before: %w", err))
		}
	}
}

func readChillHours(r *row, k *Kind) {
	k.ChillHours = ChillHours{
		Low:     [2]int{r.whole("low_from"), r.whole("low_to")},
		Mid:     [2]int{r.whole("mid_from"), r.whole("mid_to")},
		High:    [2]int{r.whole("high_from"), r.whole("high_to")},
		Reading: r.text("reading"),
	}
}

func readGrowth(r *row, k *Kind) {
	k.Growth = Growth{
		Bearing: Bearing(r.text("bearing")), DivergenceDeg: r.num("divergence_deg"), Opposite: r.num("opposite") == 1,
		InternodeCM: r.num("internode_cm"), ExtensionCM: r.num("extension_cm"), ExtensionMaxCM: r.num("extension_max_cm"),
		LeafM2PerCM2: r.num("leaf_m2_per_cm2"), SproutTendency: r.num("sprout_tendency"), InsertionDeg: r.num("insertion_deg"),
		FruitKG: r.num("fruit_kg"), FruitPerCM2: r.num("fruit_per_cm2"), TipMM: r.num("tip_mm"),
		FruitPerBud: r.num("fruit_per_bud"), DrySummerWood: r.num("dry_summer_wood") == 1,
	}
}

func readCrop(r *row, k *Kind) {
	k.Crop = Crop{
		HandThinned: r.text("hand_thinned") == "yes", KingFruit: r.text("king_fruit") == "yes",
		MassG: r.num("mass_g"), RipeMM: r.num("ripe_mm"),
		DensitySmall: r.num("density_small"), DensityMedium: r.num("density_medium"), DensityLarge: r.num("density_large"),
		SpacingLowCM: r.orZero("spacing_low_cm"), SpacingHighCM: r.orZero("spacing_high_cm"), PerCluster: r.whole("per_cluster"),
		LeavesPerFruit: r.num("leaves_per_fruit"), LeafCM2: r.num("leaf_cm2"),
		OpenMM: r.orZero("open_mm"), BestMM: r.orZero("best_mm"), CloseMM: r.orZero("close_mm"),
		SeasonsToBear: map[VigourClass]int{
			VeryDwarfing: r.whole("bear_vd"), Dwarfing: r.whole("bear_d"), SemiDwarfing: r.whole("bear_sd"),
			SemiVigorous: r.whole("bear_sv"), Vigorous: r.whole("bear_v"),
		},
		Alternation: r.text("alternation"),
		RuptureMPa:  r.num("rupture_mpa"), ModulusGPa: r.num("modulus_gpa"), GreenDensityKgPer3: r.num("green_density_kg_m3"),
		KgPerJarLitre: r.num("kg_per_jar_litre"),
	}
	if Group(r.text("group")) != k.Group {
		r.errs = append(r.errs, fmt.Errorf("group %s, the kinds table says %s", r.text("group"), k.Group))
	}
}

func readBending(r *row, k *Kind) { k.Bending = Bending{r.num("aim_deg"), r.num("strain_factor")} }

func readYear(r *row, k *Kind) {
	k.Year = Year{
		HarvestDays: r.whole("harvest_days"), EnoughAlive: r.num("enough_alive"), Kill: r.text("kill"), DiebackShows: r.yes("dieback_shows"),
		ColoursRed: r.yes("colours_red"), Cautions: r.words("cautions"), GraftsWith: r.text("grafts_with"), SpursPerM: r.orZero("spurs_per_m"),
	}
	if k.Year.Kill == "-" {
		k.Year.Kill = ""
	}
}

// check proves what no single table can: that the tables agree with each other.
func check(t *loaded) error {
	var errs []error
	bad := func(k *Kind, format string, a ...any) {
		errs = append(errs, fmt.Errorf("%s: "+format, append([]any{k.Slug}, a...)...))
	}
	for _, k := range t.kinds {
		p := k.Phenology
		if !(p.FSwell < p.FBreak && p.FBreak < p.FFirst && p.FFirst < 1) {
			bad(k, "spring shares do not rise")
		}
		if !(p.ChillLow < p.ChillMid && p.ChillMid < p.ChillHigh) {
			bad(k, "chill classes do not rise")
		}
		if k.Growth.Bearing.Habit().Name == "" {
			bad(k, "unknown bearing habit %q", k.Growth.Bearing)
		}
		for _, f := range k.Forms {
			if _, err := FormBySlug(f); err != nil {
				bad(k, "%v", err)
			}
		}
		for _, p := range k.Partners {
			if t.bySlug[p] == nil {
				bad(k, "unknown partner %q", p)
			}
		}
		if _, ok := k.Sizes[SemiDwarfing]; !ok {
			bad(k, "no size for semi-dwarfing")
		}
		if k.Crop.HandThinned && (k.Crop.OpenMM == 0 || k.Crop.SpacingLowCM == 0) {
			bad(k, "thinned by hand without sizes or spacing")
		}
	}
	return errors.Join(errs...)
}
