package store

import (
	"context"
	"database/sql"
	"encoding/json"
	"errors"
	"fmt"
	"time"

	"vertumna/core/almanac"
	"vertumna/core/limb"
	"vertumna/core/training"
	"vertumna/core/year"
)

// Entry is a line of the journal. It is never overwritten: a correction is a new entry that names the one it corrects.
type Entry struct {
	ID        string      `json:"id" readOnly:"true"`
	Created   string      `json:"created" readOnly:"true"`
	TreeID    string      `json:"tree_id,omitempty" doc:"absent for the orchard's own jobs" maxLength:"100"`
	Date      almanac.Day `json:"date"`
	Season    int         `json:"season" readOnly:"true"`
	Kind      string      `json:"kind" enum:"work,observed,measured,frost-night,seen,treatment,note,trouble,end-tests,slip,void" doc:"void annuls the entry it corrects"`
	Corrects  string      `json:"corrects,omitempty" doc:"id of the entry this one corrects" maxLength:"100"`
	Who       string      `json:"who,omitempty" maxLength:"500"`
	Minutes   float64     `json:"minutes,omitempty" minimum:"0" maximum:"1440"`
	Task      string      `json:"task,omitempty" doc:"kind of task" maxLength:"60"`
	TaskID    string      `json:"task_id,omitempty" maxLength:"200"`
	Outcome   string      `json:"outcome,omitempty" enum:"done,part,left,nothing-needed"`
	Share     float64     `json:"share,omitempty" minimum:"0" maximum:"1" doc:"live crown removed"`
	Zones     *[3]float64 `json:"zones,omitempty" doc:"of a mapped tree: the part of the leaf of each third of its height that went, from the ground up" minimum:"0" maximum:"1"`
	CutMM     []float64   `json:"cut_mm,omitempty" maxItems:"200" doc:"diameters of the cuts" minimum:"0" maximum:"1500"`
	Cuts      int         `json:"cuts,omitempty" minimum:"0" maximum:"2000"`
	FreeOnly  bool        `json:"free_only,omitempty" doc:"only dead or sick wood or suckers went"`
	Headed    bool        `json:"headed,omitempty" doc:"a heading cut or renewal stub in growth"`
	OpensSun  bool        `json:"opens_sun,omitempty" doc:"bark was newly opened to the sun"`
	Device    string      `json:"device,omitempty" enum:"tie,spreader,weight,clothespin"`
	HeadedCM  float64     `json:"headed_cm,omitempty" minimum:"0" maximum:"400" doc:"how high the stem was headed at planting"`
	Packing   string      `json:"packing,omitempty" enum:"sawdust,paper" doc:"what wood for grafting is kept in"`
	Reason    string      `json:"reason,omitempty" maxLength:"2000" doc:"why it was left, done outside its window, or went not as meant"`
	Grade     string      `json:"grade,omitempty" readOnly:"true" doc:"how good the day was for the job"`
	Stage     string      `json:"stage,omitempty" doc:"stage seen" maxLength:"60"`
	HeightM   float64     `json:"height_m,omitempty" minimum:"0" maximum:"40"`
	SpreadM   float64     `json:"spread_m,omitempty" minimum:"0" maximum:"30"`
	TrunkMM   float64     `json:"trunk_mm,omitempty" minimum:"0" maximum:"1500"`
	ShootCM   float64     `json:"shoot_cm,omitempty" minimum:"0" maximum:"400"`
	Kilos     float64     `json:"kilos,omitempty" minimum:"0" maximum:"5000"`
	Fruit     int         `json:"fruit,omitempty" minimum:"0" maximum:"100000"`
	TminC     float64     `json:"tmin_c,omitempty" minimum:"-60" maximum:"60" doc:"of a frost night"`
	Agent     string      `json:"agent,omitempty" maxLength:"500" doc:"pest or sickness seen"`
	Count     int         `json:"count,omitempty" minimum:"0" maximum:"100000"`
	Treatment string      `json:"treatment,omitempty" maxLength:"500" doc:"what was used; 'none' is an answer"`
	Note      string      `json:"note,omitempty" maxLength:"10000"`

	EndTests map[string]string `json:"end_tests,omitempty" doc:"of a tree: see-through, hand, hat, ball, shake: passed or failed; low-flowers: seen or not-seen" maxProperties:"12"`

	Rig     *training.RigAct   `json:"rig,omitempty" doc:"of a device: put on, looked at, taken off"`
	Grafted *training.GraftLog `json:"grafted,omitempty" doc:"of a graft: mother tree, kind, way and what took"`
	Trial   *training.TrialLog `json:"trial,omitempty" doc:"of a trial: its arms, as set out or as counted"`

	Slip     *SlipChoice `json:"slip,omitempty" doc:"what a person decided about a step of a slip"`
	Fruiting *Fruiting   `json:"fruiting,omitempty" doc:"of a count, a thinning pass, a size, a frost count, a harvest, a broken limb"`
	// Of a slip that was worked: the cuts as made, the map they left, and what waits for later with its reason.
	Made    []limb.CutAt `json:"made,omitempty" maxItems:"500"`
	Map     int          `json:"map_revision,omitempty" minimum:"0" maximum:"1000000"`
	Carried []Carried    `json:"carried,omitempty" maxItems:"500"`

	Weather   *Weather `json:"weather,omitempty"`
	TreeStage string   `json:"tree_stage,omitempty" readOnly:"true"`
	School    string   `json:"school,omitempty" readOnly:"true" doc:"the preset in force when it was logged"`
	SchoolOwn string   `json:"school_own,omitempty" readOnly:"true" doc:"departures from it"`
}

// ByPerson is the source of weather that a person typed.
const ByPerson = "person"

// Weather of the day of an entry, with its source.
type Weather struct {
	TminC  *float64 `json:"tmin_c,omitempty" minimum:"-60" maximum:"60"`
	TmaxC  *float64 `json:"tmax_c,omitempty" minimum:"-60" maximum:"60"`
	RainMM *float64 `json:"rain_mm,omitempty" minimum:"0" maximum:"2000"`
	Source string   `json:"source" maxLength:"500" doc:"person, station"`
}

// SlipChoice is a decision about a step of a slip: taken, left as it is, the cut moved, or open again. The last one counts.
type SlipChoice struct {
	Slip     string         `json:"slip" maxLength:"40" doc:"season and growth year of the slip: dormant-2027"`
	Choice   string         `json:"choice" enum:"taken,left,moved,open"`
	Findings []year.Finding `json:"findings" nullable:"false" maxItems:"200" doc:"what the step is for"`
	Cut      *limb.CutAt    `json:"cut,omitempty" doc:"where it was moved to"`
	Seen     string         `json:"seen,omitempty" enum:",not-found,dead" doc:"why it was left, as it was found at the tree"`
}

// Carried is work on a limb that waits for a later slip.
type Carried struct {
	Code year.FindingCode `json:"code" maxLength:"60"`
	Limb string           `json:"limb" maxLength:"100"`
	Why  year.WhyWaiting  `json:"why" maxLength:"60"`
	Due  string           `json:"due" enum:"summer,winter"`
	CM   float64          `json:"cm,omitempty" doc:"lowered by so much already" minimum:"0" maximum:"2500"`
}

// UndoFor is how long a logged thing can be undone; the store allows a little more for the way there.
const (
	UndoFor   = 10 * time.Second
	undoGrace = 5 * time.Second
)

// AddEntry logs an entry. An entry whose id is already in the journal is not logged twice (a phone that sends again).
// Errors: ErrNotFound for an unknown tree or corrected entry, *Conflict.
func (s *Store) AddEntry(ctx context.Context, orchardID string, e *Entry) error {
	if e.ID == "" {
		e.ID = NewID()
	}
	if e.Created == "" {
		e.Created = s.stamp()
	}
	return s.tx(ctx, func(tx *sql.Tx) error {
		fresh, err := addEntry(ctx, tx, orchardID, e)
		if err != nil || !fresh {
			return err
		}
		return touch(ctx, tx, orchardID)
	})
}

// AddEntries logs many entries at once, all or none.
func (s *Store) AddEntries(ctx context.Context, orchardID string, es []Entry) error {
	return s.tx(ctx, func(tx *sql.Tx) error {
		for i := range es {
			if es[i].ID == "" {
				es[i].ID = NewID()
			}
			if es[i].Created == "" {
				es[i].Created = s.stamp()
			}
			if _, err := addEntry(ctx, tx, orchardID, &es[i]); err != nil {
				return err
			}
		}
		return touch(ctx, tx, orchardID)
	})
}

// LogSlip logs the work on a tree and the map it leaves, both or neither. Errors: those of AddEntry and SaveMap.
func (s *Store) LogSlip(ctx context.Context, orchardID string, e *Entry, m *LimbMap) error {
	if e.ID == "" {
		e.ID = NewID()
	}
	if e.Created == "" {
		e.Created = s.stamp()
	}
	return s.tx(ctx, func(tx *sql.Tx) error {
		if was, err := logged(ctx, tx, orchardID, e.ID); err != nil || was != nil {
			if err == nil && (was.TreeID != e.TreeID || was.Kind != e.Kind || was.Date != e.Date || was.Task != e.Task) {
				return IDTaken(e.ID)
			}
			return err // sent twice: logged once
		}
		if err := s.saveMap(ctx, tx, orchardID, e.TreeID, m); err != nil {
			return err
		}
		e.Map = m.Revision.Revision
		_, err := addEntry(ctx, tx, orchardID, e)
		return err
	})
}

// addEntry writes one entry; fresh is false when it was in the journal already.
func addEntry(ctx context.Context, tx *sql.Tx, orchardID string, e *Entry) (fresh bool, err error) {
	if was, err := logged(ctx, tx, orchardID, e.ID); err != nil || was != nil {
		if err == nil && !was.sameSent(e) {
			return false, IDTaken(e.ID)
		}
		return false, err // sent twice: logged once, whatever has changed meanwhile
	}
	body, err := json.Marshal(e.keep())
	if err != nil {
		return false, err
	}
	var tree, corrects any
	if e.TreeID != "" {
		tree = e.TreeID
		if err := exists(ctx, tx, "trees", orchardID, e.TreeID); err != nil {
			return false, err
		}
	}
	if e.Corrects != "" {
		corrects = e.Corrects
		if err := exists(ctx, tx, "entries", orchardID, e.Corrects); err != nil {
			return false, err
		}
		var by string
		if err := tx.QueryRowContext(ctx, "SELECT id FROM entries WHERE corrects = ?", e.Corrects).Scan(&by); err == nil {
			return false, conflict("already_corrected", "corrects", "an entry already corrected", "its correction "+by)
		} else if !errors.Is(err, sql.ErrNoRows) {
			return false, err
		}
	}
	r, err := tx.ExecContext(ctx, "INSERT INTO entries (id, orchard_id, tree_id, date, corrects, created, body, doc_version) VALUES (?, ?, ?, ?, ?, ?, ?, ?) ON CONFLICT (id) DO NOTHING",
		e.ID, orchardID, tree, e.Date.String(), corrects, e.Created, string(body), shapeOf("entries"))
	if err != nil {
		return false, err
	}
	if n, _ := r.RowsAffected(); n > 0 {
		return true, nil
	}
	return false, IDTaken(e.ID) // another orchard's
}

// Logged is the entry of an orchard that has an id, nil where none has.
func (s *Store) Logged(ctx context.Context, orchardID, id string) (*Entry, error) {
	return logged(ctx, s.db, orchardID, id)
}

// querier asks for one row: the database, or a transaction on it.
type querier interface {
	QueryRowContext(ctx context.Context, query string, args ...any) *sql.Row
}

// logged is the entry of an orchard that has an id, nil where none has.
func logged(ctx context.Context, tx querier, orchardID, id string) (*Entry, error) {
	var body string
	err := tx.QueryRowContext(ctx, "SELECT body FROM entries WHERE id = ? AND orchard_id = ?", id, orchardID).Scan(&body)
	if errors.Is(err, sql.ErrNoRows) {
		return nil, nil
	}
	if err != nil {
		return nil, err
	}
	return readEntry(body)
}

// sameSent says whether two entries are one that was sent twice: what the program itself noted may differ.
func (e *Entry) sameSent(o *Entry) bool {
	a, errA := json.Marshal(e.asSent())
	b, errB := json.Marshal(o.asSent())
	return errA == nil && errB == nil && string(a) == string(b)
}

// asSent is an entry without what the program notes on it.
func (e *Entry) asSent() Entry {
	out := *e
	out.Created, out.Season, out.Grade, out.TreeStage, out.School, out.SchoolOwn, out.Map, out.TaskID, out.Who, out.Task = "", 0, "", "", "", "", 0, "", "", ""
	if e.Weather != nil && e.Weather.Source != ByPerson { // filled in from what is known of the day
		out.Weather = nil
	}
	out.Fruiting = nil
	if e.Fruiting != nil {
		f := *e.Fruiting
		f.Set, f.SetLow, f.SetHigh = 0, 0, 0
		if f.Pass > 0 { // counted from its taps, of which more may have come
			f.Left, f.Taken, f.Laterals = 0, 0, nil
		}
		out.Fruiting = &f
	}
	return out
}

// IDTaken is the conflict of an id under which something else was logged.
func IDTaken(id string) error {
	return conflict("id_taken", "id", id+" with other content than is kept under it", "an id of its own")
}

func exists(ctx context.Context, tx *sql.Tx, table, orchardID, id string) error {
	var n int
	if err := tx.QueryRowContext(ctx, "SELECT count(*) FROM "+table+" WHERE id = ? AND orchard_id = ?", id, orchardID).Scan(&n); err != nil {
		return err
	}
	if n == 0 {
		return ErrNotFound
	}
	return nil
}

// Undo withdraws an entry within ten seconds of its logging. Errors: *Conflict, ErrNotFound.
func (s *Store) Undo(ctx context.Context, orchardID, id string) error {
	return s.tx(ctx, func(tx *sql.Tx) error {
		var created string
		err := tx.QueryRowContext(ctx, "SELECT created FROM entries WHERE id = ? AND orchard_id = ? AND withdrawn = 0", id, orchardID).Scan(&created)
		if errors.Is(err, sql.ErrNoRows) {
			return ErrNotFound
		}
		if err != nil {
			return err
		}
		at, err := time.Parse(time.RFC3339Nano, created)
		if err != nil {
			return err
		}
		if age := s.now().Sub(at); age > UndoFor+undoGrace {
			return conflict("too_late_to_undo", "entry", fmt.Sprintf("%.0f s old", age.Seconds()), fmt.Sprintf("%.0f s at most: log a correction instead", UndoFor.Seconds()))
		}
		if _, err := tx.ExecContext(ctx, "UPDATE entries SET withdrawn = 1, corrects = NULL WHERE id = ?", id); err != nil {
			return err
		}
		// the map that the work left goes with it, unless it was drawn on since
		if _, err := tx.ExecContext(ctx, `DELETE FROM limb_maps WHERE (tree_id, revision) IN (
			SELECT tree_id, json_extract(body, '$.cut.map_revision') FROM entries WHERE id = ?)
			AND NOT EXISTS (SELECT 1 FROM limb_maps later WHERE later.tree_id = limb_maps.tree_id AND later.based_on = limb_maps.revision)`, id); err != nil {
			return err
		}
		return touch(ctx, tx, orchardID)
	})
}

// Entries lists the journal in force by date: without withdrawn entries, corrected ones and the corrections that annul.
func (s *Store) Entries(ctx context.Context, orchardID string) ([]Entry, []Broken, error) {
	return s.entries(ctx, `SELECT id, 0, body FROM entries e WHERE orchard_id = ? AND withdrawn = 0
		AND json_extract(body, '$.kind') <> 'void'
		AND NOT EXISTS (SELECT 1 FROM entries c WHERE c.corrects = e.id AND c.withdrawn = 0) ORDER BY date, created`, orchardID)
}

// Journal lists every entry ever logged but the undone ones, corrected ones too.
func (s *Store) Journal(ctx context.Context, orchardID string) ([]Entry, []Broken, error) {
	return s.entries(ctx, "SELECT id, 0, body FROM entries WHERE orchard_id = ? AND withdrawn = 0 ORDER BY date, created", orchardID)
}

func (s *Store) entries(ctx context.Context, query, orchardID string) ([]Entry, []Broken, error) {
	docs, broken, err := sound(ctx, s.db, "entries", func(d *entryDoc, id string, _ int) { d.ID = id }, query, orchardID)
	out := make([]Entry, len(docs))
	for i := range docs {
		out[i] = docs[i].entry()
	}
	return out, broken, err
}
