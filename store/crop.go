package store

import (
	"context"
	"database/sql"
	"math"

	"vertumna/core/almanac"
	"vertumna/core/crop"
	"vertumna/core/year"
)

// Fruiting is what an entry tells of a tree's fruit: a count, a pass of thinning over one limb, a size, a frost count, a
// harvest, a broken limb.
type Fruiting struct {
	Counts   []LimbCount    `json:"counts,omitempty" maxItems:"400" doc:"of a count of the set"`
	Glance   string         `json:"glance,omitempty" enum:"none,few,right,many,crowded" doc:"of those who look and do not count"`
	Set      float64        `json:"set,omitempty" readOnly:"true" doc:"the tree's fruit by this count, drop to come taken off"`
	SetLow   float64        `json:"set_low,omitempty" readOnly:"true"`
	SetHigh  float64        `json:"set_high,omitempty" readOnly:"true"`
	Limb     string         `json:"limb,omitempty" maxLength:"100" doc:"of a pass, or of a harvest by limb"`
	Pass     int            `json:"pass,omitempty" minimum:"0" maximum:"9" doc:"1 the first time over a limb"`
	Left     int            `json:"left,omitempty" minimum:"0" maximum:"100000"`
	Taken    int            `json:"taken,omitempty" minimum:"0" maximum:"100000"`
	Way      string         `json:"way,omitempty" enum:"hand,pole,shears"`
	Laterals []LateralCount `json:"laterals,omitempty" maxItems:"400"`
	FruitMM  float64        `json:"fruit_mm,omitempty" minimum:"0" maximum:"200" doc:"mean of ten fruitlets across the cheeks"`
	Opened   int            `json:"opened,omitempty" minimum:"0" maximum:"5000" doc:"flower buds cut across"`
	Alive    int            `json:"alive,omitempty" minimum:"0" maximum:"5000" doc:"of them with a live heart"`
	First    *almanac.Day   `json:"first,omitempty" doc:"first day of the harvest"`
	Last     *almanac.Day   `json:"last,omitempty"`
	Quality  string         `json:"quality,omitempty" enum:"keeping,table,kitchen,poor"`
	Went     string         `json:"went,omitempty" maxLength:"500" doc:"where it went"`
	Broke    string         `json:"broke,omitempty" maxLength:"100" doc:"the limb that broke"`
}

// LimbCount is a limb that was counted: its fruit, or its clusters and the fruit in a usual one.
type LimbCount struct {
	Limb       string  `json:"limb" maxLength:"100"`
	Fruit      int     `json:"fruit" minimum:"0" maximum:"100000"`
	Clusters   int     `json:"clusters,omitempty" minimum:"0" maximum:"20000"`
	PerCluster float64 `json:"per_cluster,omitempty" minimum:"0" maximum:"12"`
}

// Number is the fruit counted.
func (c LimbCount) Number() int {
	if c.Clusters > 0 && c.PerCluster > 0 {
		return int(math.Round(float64(c.Clusters) * c.PerCluster))
	}
	return c.Fruit
}

// LateralCount is what was left on and taken off a side limb; "" is the limb's own wood.
type LateralCount struct {
	ID    string `json:"id" maxLength:"100"`
	Left  int    `json:"left" minimum:"0" maximum:"100000"`
	Taken int    `json:"taken" minimum:"0" maximum:"100000"`
}

// Tap is one press on the counting pad.
type Tap struct {
	ID      string `json:"id" minLength:"8" maxLength:"64" doc:"the phone's own: one sent twice counts once"`
	Limb    string `json:"limb" minLength:"1" maxLength:"100"`
	Lateral string `json:"lateral" maxLength:"100"`
	Pass    int    `json:"pass" minimum:"1" maximum:"9"`
	Left    int    `json:"left" minimum:"0" maximum:"100"`
	Taken   int    `json:"taken" minimum:"0" maximum:"100"`
	Undoes  string `json:"undoes,omitempty" maxLength:"64" doc:"the tap it takes back"`
}

// Tally is what the taps on a limb come to.
type Tally struct {
	Limb     string         `json:"limb"`
	Pass     int            `json:"pass"`
	Left     int            `json:"left"`
	Taken    int            `json:"taken"`
	Laterals []LateralCount `json:"laterals" nullable:"false"`
}

// AddTaps keeps taps of a tree in a season. Those already kept are passed over.
func (s *Store) AddTaps(ctx context.Context, orchardID, treeID string, season int, taps []Tap) error {
	return s.tx(ctx, func(tx *sql.Tx) error {
		if err := exists(ctx, tx, "trees", orchardID, treeID); err != nil {
			return err
		}
		for _, t := range taps {
			r, err := tx.ExecContext(ctx, `INSERT INTO taps (id, tree_id, season, pass, limb, lateral, remains, taken, undoes, at)
				VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?) ON CONFLICT (id) DO NOTHING`,
				t.ID, treeID, season, t.Pass, t.Limb, t.Lateral, t.Left, t.Taken, t.Undoes, s.stamp())
			if err != nil {
				return err
			}
			if n, _ := r.RowsAffected(); n > 0 {
				continue
			}
			var same int // sent twice: kept once
			if err := tx.QueryRowContext(ctx, `SELECT count(*) FROM taps WHERE id = ? AND tree_id = ? AND season = ? AND pass = ? AND limb = ?
				AND lateral = ? AND remains = ? AND taken = ?`, t.ID, treeID, season, t.Pass, t.Limb, t.Lateral, t.Left, t.Taken).Scan(&same); err != nil {
				return err
			}
			if same == 0 {
				return IDTaken(t.ID)
			}
		}
		return nil
	})
}

// Tallies sums the taps of a tree in a season by limb and pass, those taken back left out.
func (s *Store) Tallies(ctx context.Context, treeID string, season int) ([]Tally, error) {
	rows, err := s.db.QueryContext(ctx, `SELECT limb, pass, lateral, sum(remains), sum(taken) FROM taps t
		WHERE tree_id = ? AND season = ? AND undoes = '' AND NOT EXISTS (SELECT 1 FROM taps u WHERE u.undoes = t.id AND u.undoes <> '' AND u.tree_id = t.tree_id)
		GROUP BY limb, pass, lateral ORDER BY limb, pass, lateral`, treeID, season)
	if err != nil {
		return nil, err
	}
	defer rows.Close()
	out := []Tally{}
	for rows.Next() {
		var limb string
		var pass int
		var l LateralCount
		if err := rows.Scan(&limb, &pass, &l.ID, &l.Left, &l.Taken); err != nil {
			return nil, err
		}
		if n := len(out); n == 0 || out[n-1].Limb != limb || out[n-1].Pass != pass {
			out = append(out, Tally{Limb: limb, Pass: pass})
		}
		t := &out[len(out)-1]
		t.Left, t.Taken = t.Left+l.Left, t.Taken+l.Taken
		t.Laterals = append(t.Laterals, l)
	}
	return out, rows.Err()
}

// Fruitings are a tree's entries that tell of its fruit, by date, up to a day.
func (c *Contents) Fruitings(treeID string, until almanac.Day) []*Entry {
	var out []*Entry
	for i := range c.Entries {
		e := &c.Entries[i]
		if e.TreeID == treeID && e.Date <= until && (e.Fruiting != nil || e.Task == string(year.HarvestTask) && (e.Kilos > 0 || e.Fruit > 0)) {
			out = append(out, e)
		}
	}
	return out
}

// TellsSet: the entry tells of the season's set: a count, a look, a pass of thinning, or frosted buds.
func (e *Entry) TellsSet() bool {
	f := e.Fruiting
	return f != nil && (len(f.Counts) > 0 || f.Glance != "" || f.Pass > 0 || f.Opened > 0)
}

// CropSeasons are a tree's seasons of fruit as the journal has them up to a day, in order.
func (c *Contents) CropSeasons(treeID string, until almanac.Day) []crop.Season {
	by := map[int]*crop.Season{}
	passes := map[int]map[string]crop.Pass{}
	var order []int
	for _, e := range c.Fruitings(treeID, until) {
		s, ok := by[e.Season]
		if !ok {
			s = &crop.Season{Year: e.Season, TakenOn: almanac.NoDay, First: almanac.NoDay, Last: almanac.NoDay}
			by[e.Season], passes[e.Season] = s, map[string]crop.Pass{}
			order = append(order, e.Season)
		}
		e.tell(s, passes[e.Season])
	}
	out := make([]crop.Season, 0, len(order))
	for _, y := range order {
		if by[y].Told() {
			out = append(out, *by[y])
		}
	}
	return out
}

// tell adds what an entry says to its season.
func (e *Entry) tell(s *crop.Season, passes map[string]crop.Pass) {
	if e.Task == string(year.HarvestTask) {
		e.tellHarvest(s)
	}
	f := e.Fruiting
	if f == nil {
		return
	}
	if f.Opened > 0 {
		alive := float64(f.Alive) / float64(f.Opened)
		s.Alive = &alive
	}
	if f.Set > 0 || len(f.Counts) > 0 {
		s.Set = &f.Set
	}
	if e.Task == string(year.Thin) && f.Pass > 0 {
		addPass(passes, f)
		left, taken := 0, 0
		for _, p := range passes {
			left, taken = left+p.Left, taken+p.Taken
		}
		s.Left, s.Taken, s.TakenOn = &left, &taken, e.Date
	}
}

func (e *Entry) tellHarvest(s *crop.Season) {
	first, last := e.Date, e.Date
	if f := e.Fruiting; f != nil {
		if f.First != nil {
			first = *f.First
		}
		if f.Last != nil {
			last = *f.Last
		}
		if f.Quality != "" {
			s.Quality = f.Quality
		}
	}
	if e.Kilos > 0 {
		kg := e.Kilos
		if s.KG != nil {
			kg += *s.KG
		}
		s.KG = &kg
	}
	if e.Fruit > 0 {
		n := e.Fruit
		if s.Picked != nil {
			n += *s.Picked
		}
		s.Picked = &n
	}
	if !s.First.Known() || first < s.First {
		s.First = first
	}
	if !s.Last.Known() || last > s.Last {
		s.Last = last
	}
}

// addPass adds a pass over a limb to those before it: what is left is as last counted, what was taken adds up.
func addPass(passes map[string]crop.Pass, f *Fruiting) {
	p := passes[f.Limb]
	p.Left, p.Taken, p.Done = f.Left, p.Taken+f.Taken, true
	p.Laterals = map[string]crop.Pass{}
	for _, l := range f.Laterals {
		p.Laterals[l.ID] = crop.Pass{Left: l.Left, Taken: l.Taken, Done: true}
	}
	passes[f.Limb] = p
}

// Passes are the passes of thinning over a tree's limbs in a season up to a day; n tells how many each limb has had.
func (c *Contents) Passes(treeID string, season int, until almanac.Day) (passes map[string]crop.Pass, n map[string]int) {
	passes, n = map[string]crop.Pass{}, map[string]int{}
	for _, e := range c.Fruitings(treeID, until) {
		if f := e.Fruiting; f != nil && e.Season == season && e.Task == string(year.Thin) && f.Pass > 0 {
			addPass(passes, f)
			n[f.Limb] = max(n[f.Limb], f.Pass)
		}
	}
	return passes, n
}
