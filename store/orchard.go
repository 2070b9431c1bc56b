package store

import (
	"context"
	"database/sql"
	"encoding/json"
	"errors"
	"fmt"
	"math"
	"strings"
	"time"

	"github.com/google/uuid"

	"vertumna/core/almanac"
)

// Orchard is a place with its plot and school.
type Orchard struct {
	ID       string        `json:"id" readOnly:"true"`
	Slug     string        `json:"slug" readOnly:"true"`
	Version  int           `json:"version" readOnly:"true"`
	Revision int           `json:"revision" readOnly:"true" doc:"moves with every write to anything in the orchard"`
	Name     string        `json:"name" minLength:"1" maxLength:"500"`
	Units    string        `json:"units" enum:"metric,us"`
	Site     *almanac.Site `json:"site,omitempty" doc:"none until the place is set up"`
	SiteFrom string        `json:"site_from,omitempty" maxLength:"500" doc:"where the normals come from, as a person may read it"`
	School   School        `json:"school"`
	Plot     Plot          `json:"plot"`
	Needs    []Need        `json:"needs,omitempty" nullable:"false" maxItems:"40" doc:"what the household wants of each kind"`
	SnowMM   float64       `json:"snow_kg_m2,omitempty" minimum:"0" maximum:"200" doc:"the snow a person counts on, mm of water; 0: none"`
	Rain     []SeasonRain  `json:"rain,omitempty" nullable:"false" maxItems:"200" doc:"how wet growing seasons were; those not named: as usual"`
	Weighs   string        `json:"weighs,omitempty" enum:"structure,fruit" doc:"what counts more where a cut costs fruit; absent: both"`
	Exposed  string        `json:"exposed,omitempty" enum:"sheltered,usual,exposed" doc:"how much wind the limbs meet"`
}

// SeasonRain is how wet a growing season was.
type SeasonRain struct {
	Season int    `json:"season" minimum:"1900" maximum:"2200"`
	Rain   string `json:"rain" enum:"wet,dry"`
}

// RainOf is how wet a growing season was, empty as usual.
func (o *Orchard) RainOf(season int) string {
	for _, r := range o.Rain {
		if r.Season == season {
			return r.Rain
		}
	}
	return ""
}

// Need is what the household wants of a kind in a year.
type Need struct {
	Kind     string  `json:"kind" maxLength:"40"`
	FreshKG  float64 `json:"fresh_kg" minimum:"0" maximum:"5000"`
	Jars     float64 `json:"jars,omitempty" minimum:"0" maximum:"2000"`
	JarLitre float64 `json:"jar_litre,omitempty" minimum:"0" maximum:"10" doc:"0: one litre"`
	Size     string  `json:"size,omitempty" enum:"small,medium,large"`
}

// School is the preset in force, the person's departures from it, and regional advice noted beside a choice.
type School struct {
	Preset string            `json:"preset" doc:"slug of a preset" maxLength:"60"`
	Own    map[string]string `json:"own" doc:"choice key to value slug" maxProperties:"60"`
	Advice []Advice          `json:"advice" nullable:"false" maxItems:"100"`
}

// Advice is a rule of a regional office, noted beside a choice.
type Advice struct {
	Choice string `json:"choice" maxLength:"60"`
	Office string `json:"office" maxLength:"500"`
	Rule   string `json:"rule" maxLength:"2000"`
	Date   string `json:"date,omitempty" doc:"YYYY-MM-DD" maxLength:"40"`
}

// Point of the plot: metres east and north of its south-west corner.
type Point struct {
	X float64 `json:"x" minimum:"-1000" maximum:"1000"`
	Y float64 `json:"y" minimum:"-1000" maximum:"1000"`
}

// Plot is the outline of the ground and what stands on it.
type Plot struct {
	Outline     []Point   `json:"outline" nullable:"false" maxItems:"200" doc:"corners in order, metres; empty: drawn round the trees"`
	Features    []Feature `json:"features" nullable:"false" maxItems:"200"`
	Hosts       []string  `json:"hosts,omitempty" nullable:"false" maxItems:"5" enum:"juniper,hawthorn,wild-apple,wild-cherry,poplar" doc:"what stands outside and carries sickness to the trees"`
	NorthDeg    float64   `json:"north_deg" minimum:"0" maximum:"360" doc:"compass bearing of the plan's upward direction"`
	RowDistance float64   `json:"row_distance_m" minimum:"0" maximum:"50" doc:"0 when trees stand in no rows"`
}

// Feature is a wall, fence, path and the like.
type Feature struct {
	ID      string  `json:"id" maxLength:"100"`
	Kind    string  `json:"kind" enum:"wall,fence,hedge,path,bed,shade-tree,shed,house,water,power-line"`
	Name    string  `json:"name,omitempty" maxLength:"500"`
	Points  []Point `json:"points" nullable:"false" minItems:"1" maxItems:"200"`
	HeightM float64 `json:"height_m,omitempty" minimum:"0" maximum:"60"`
	WidthM  float64 `json:"width_m,omitempty" minimum:"0" maximum:"60" doc:"of a path, or across a shade tree's crown"`
	FacesTo float64 `json:"faces_deg,omitempty" minimum:"0" maximum:"360" doc:"bearing a wall faces"`

	Windows []Window `json:"windows,omitempty" nullable:"false" maxItems:"20" doc:"of a wall or a house, behind what stands along it"`
}

// Window is an opening in a wall that wires and arms leave free.
type Window struct {
	FromM float64 `json:"from_m" minimum:"0" maximum:"200" doc:"its near edge, along the wall from the wall's first point"`
	WideM float64 `json:"wide_m" minimum:"0.1" maximum:"50"`
	SillM float64 `json:"sill_m" minimum:"0.1" maximum:"20" doc:"over the ground"`
	TopM  float64 `json:"top_m,omitempty" minimum:"0" maximum:"30" doc:"of its upper edge; 0: not told"`
}

// Default fills what a new orchard leaves open.
func (o *Orchard) fill() {
	if o.Units == "" {
		o.Units = "metric"
	}
	if o.School.Own == nil {
		o.School.Own = map[string]string{}
	}
	if o.School.Advice == nil {
		o.School.Advice = []Advice{}
	}
	if o.Plot.Outline == nil {
		o.Plot.Outline = []Point{}
	}
	if o.Plot.Features == nil {
		o.Plot.Features = []Feature{}
	}
}

// AddOrchard makes an orchard; its slug is made from the name unless one is given, and is unique.
func (s *Store) AddOrchard(ctx context.Context, o *Orchard) error {
	o.fill()
	if o.ID == "" {
		o.ID = NewID()
	}
	base := Slug(o.Slug)
	if o.Slug == "" {
		base = Slug(o.Name)
	}
	return s.tx(ctx, func(tx *sql.Tx) error {
		o.Slug = base
		for n := 2; ; n++ {
			var taken int
			if err := tx.QueryRowContext(ctx, "SELECT count(*) FROM orchards WHERE slug = ?", o.Slug).Scan(&taken); err != nil {
				return err
			}
			if taken == 0 {
				break
			}
			o.Slug = base + "-" + itoa(n)
		}
		o.Version, o.Revision = 1, 1
		body, err := json.Marshal(o)
		if err != nil {
			return err
		}
		_, err = tx.ExecContext(ctx, "INSERT INTO orchards (id, slug, version, body, doc_version) VALUES (?, ?, 1, ?, ?)", o.ID, o.Slug, string(body), shapeOf("orchards"))
		return err
	})
}

// Slug makes an address part of a name: letters a-z, digits and hyphens; "orchard" when nothing is left.
func Slug(name string) string {
	var b strings.Builder
	for _, r := range strings.ToLower(name) {
		switch {
		case r >= 'a' && r <= 'z' || r >= '0' && r <= '9':
			b.WriteRune(r)
		case b.Len() > 0 && !strings.HasSuffix(b.String(), "-"):
			b.WriteByte('-')
		}
		if b.Len() >= 40 {
			break
		}
	}
	if out := strings.Trim(b.String(), "-"); out != "" {
		return out
	}
	return "orchard"
}

// Orchards lists all orchards by slug. One whose document cannot be read is named, without a place: nothing is planned for it.
func (s *Store) Orchards(ctx context.Context) ([]Orchard, error) {
	out, broken, err := sound(ctx, s.db, "orchards", func(o *Orchard, id string, v int) { o.ID, o.Version = id, v }, "SELECT id, version, body FROM orchards ORDER BY slug")
	if err != nil {
		return nil, err
	}
	for _, b := range broken {
		o := Orchard{ID: b.ID}
		if err := s.db.QueryRowContext(ctx, "SELECT slug, version FROM orchards WHERE id = ?", b.ID).Scan(&o.Slug, &o.Version); err != nil {
			return nil, err
		}
		o.Name = o.Slug + " (cannot be read)"
		out = append(out, o)
	}
	for i := range out {
		out[i].fill()
	}
	return out, nil
}

// MadeOn is the day an orchard was made, as its id tells; NoDay where it does not.
func (o *Orchard) MadeOn() almanac.Day {
	id, err := uuid.Parse(o.ID)
	if err != nil || id.Version() != 7 {
		return almanac.NoDay
	}
	y, m, d := time.Unix(id.Time().UnixTime()).Date()
	return almanac.DateOf(y, int(m), d)
}

// Mark tells an orchard as it stands from itself at any other time: any write to anything in it that a plan reads changes the mark. Error: ErrNotFound.
func (s *Store) Mark(ctx context.Context, slug string) (string, error) {
	var id string
	var revision int
	err := s.db.QueryRowContext(ctx, "SELECT id, revision FROM orchards WHERE slug = ?", slug).Scan(&id, &revision)
	if errors.Is(err, sql.ErrNoRows) {
		return "", ErrNotFound
	}
	return fmt.Sprintf("%s-%d", id, revision), err
}

// Orchard finds an orchard by slug. Error: ErrNotFound.
func (s *Store) Orchard(ctx context.Context, slug string) (*Orchard, error) {
	var o Orchard
	var body string
	var id, sl string
	var version, revision int
	err := s.db.QueryRowContext(ctx, "SELECT id, slug, version, revision, body FROM orchards WHERE slug = ?", slug).Scan(&id, &sl, &version, &revision, &body)
	if errors.Is(err, sql.ErrNoRows) {
		return nil, ErrNotFound
	}
	if err != nil {
		return nil, err
	}
	if err := json.Unmarshal([]byte(body), &o); err != nil {
		return nil, err
	}
	o.ID, o.Slug, o.Version, o.Revision = id, sl, version, revision
	o.fill()
	return &o, nil
}

// SaveOrchard writes an orchard's document. Errors: *Conflict, ErrNotFound.
func (s *Store) SaveOrchard(ctx context.Context, o *Orchard) error {
	o.fill()
	return s.tx(ctx, func(tx *sql.Tx) error {
		v, err := update(ctx, tx, "orchards", o.ID, o.Version, o)
		if err != nil {
			return err
		}
		o.Version = v
		if err := touch(ctx, tx, o.ID); err != nil {
			return err
		}
		return tx.QueryRowContext(ctx, "SELECT revision FROM orchards WHERE id = ?", o.ID).Scan(&o.Revision)
	})
}

// RemoveOrchard deletes an orchard with all that is in it.
func (s *Store) RemoveOrchard(ctx context.Context, id string) error {
	return s.tx(ctx, func(tx *sql.Tx) error {
		for _, q := range []string{
			"UPDATE entries SET corrects = NULL WHERE orchard_id = ?", "DELETE FROM entries WHERE orchard_id = ?",
			"DELETE FROM orchards WHERE id = ?",
		} {
			if _, err := tx.ExecContext(ctx, q, id); err != nil {
				return err
			}
		}
		return nil
	})
}

// AreaM2 is the ground within the plot's outline, m2; 0 where none is drawn.
func (p *Plot) AreaM2() float64 {
	sum := 0.0
	for i, a := range p.Outline {
		b := p.Outline[(i+1)%len(p.Outline)]
		sum += a.X*b.Y - b.X*a.Y
	}
	return math.Abs(sum) / 2
}
