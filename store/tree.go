package store

import (
	"context"
	"database/sql"
	"encoding/json"
	"fmt"
	"strconv"

	"vertumna/core/almanac"
	"vertumna/core/given"
)

// Tree is a tree's document. Zero numbers are unknown.
type Tree struct {
	ID          string            `json:"id" readOnly:"true"`
	Version     int               `json:"version" readOnly:"true"`
	Code        string            `json:"code" maxLength:"6" doc:"label on its stake, as C1; empty on a new tree: the next free one"`
	Kind        string            `json:"kind" doc:"slug of a kind" maxLength:"40"`
	Name        string            `json:"name,omitempty" maxLength:"500" doc:"the owner's own name for it"`
	Cultivar    string            `json:"cultivar,omitempty" maxLength:"500"`
	Chill       string            `json:"chill,omitempty" enum:"low,mid,high"`
	Bloom       string            `json:"bloom,omitempty" enum:"early,mid,late"`
	Harvest     string            `json:"harvest,omitempty" enum:"early,mid,late"`
	Class       string            `json:"class,omitempty" enum:"very-dwarfing,dwarfing,semi-dwarfing,semi-vigorous,vigorous"`
	ClassSource string            `json:"class_source,omitempty" enum:"label,memory,guess"`
	Rootstock   string            `json:"rootstock,omitempty" maxLength:"500"`
	Suckering   bool              `json:"suckering,omitempty"`
	Ground      string            `json:"ground,omitempty" enum:"soil,wall,tub"`
	TubLitres   float64           `json:"tub_litres,omitempty" minimum:"0" maximum:"2000"`
	Hole        string            `json:"hole,omitempty" maxLength:"100" doc:"trees planted in one hole share this mark and are cut as one"`
	Stake       bool              `json:"stake,omitempty"`
	Mulch       bool              `json:"mulch,omitempty"`
	Wires       bool              `json:"wires,omitempty"`
	WiresCM     []float64         `json:"wires_cm,omitempty" maxItems:"12" minimum:"15" maximum:"400" doc:"heights of its wires, rising"`
	ArmCM       float64           `json:"arm_cm,omitempty" minimum:"0" maximum:"600" doc:"how long an arm or rib shall be; 0: by kind and class"`
	Planted     *almanac.Day      `json:"planted,omitempty" doc:"day of planting; absent when unknown"`
	AsWhip      bool              `json:"as_whip,omitempty" doc:"planted as a bare whip"`
	Form        string            `json:"form,omitempty" enum:"open-vase,low-bush,modified-leader,central-leader,wire-tiers,flat-fan,step-over,shrub,late-leader,slim-leader,four-arm"`
	Aim         string            `json:"aim,omitempty" enum:"build,hold,restrain,restore,retire" doc:"absent: decided from age and school"`
	Habit       string            `json:"habit,omitempty" enum:"upright,spreading,weeping" doc:"absent: the kind's"`
	X           float64           `json:"x" minimum:"-1000" maximum:"1000" doc:"metres east of the plot's south-west corner"`
	Y           float64           `json:"y" minimum:"-1000" maximum:"1000" doc:"metres north of it"`
	HeightM     float64           `json:"height_m,omitempty" minimum:"0" maximum:"25"`
	SpreadM     float64           `json:"spread_m,omitempty" minimum:"0" maximum:"30"`
	TrunkMM     float64           `json:"trunk_mm,omitempty" minimum:"0" maximum:"1500"`
	SunHours    float64           `json:"sun_hours,omitempty" minimum:"0" maximum:"18" doc:"own count of the sun on its spot on a clear day in the growing season; 0 not counted"`
	ScaffoldsMM []float64         `json:"scaffolds_mm,omitempty" maxItems:"20" minimum:"0" maximum:"1500"`
	Estimated   bool              `json:"estimated,omitempty" doc:"its size was estimated, not measured"`
	Notes       string            `json:"notes,omitempty" maxLength:"10000"`
	Own         map[string]string `json:"own,omitempty" doc:"school choices of this tree" maxProperties:"60"`
	Bag         bool              `json:"bag,omitempty" doc:"wish: bag its fruit"`
	LeavesOff   bool              `json:"leaves_off,omitempty" doc:"wish: leaves off colouring fruit"`
	GraftWood   bool              `json:"graft_wood,omitempty" doc:"wish: cut grafting wood"`
	ThinAnyway  bool              `json:"thin_anyway,omitempty" doc:"wish: thin a kind that is left to itself"`
	Graft       string            `json:"graft,omitempty" enum:"summer,spring" doc:"wish: bud or graft"`
	Triploid    bool              `json:"triploid,omitempty"`
	SelfFertile string            `json:"self_fertile,omitempty" enum:"yes,no" doc:"as its label says; absent: as its kind"`
	Resists     []string          `json:"resists,omitempty" nullable:"false" maxItems:"9" enum:"scab,mildew,fire-blight,rust,canker,leaf-curl,brown-rot,bacterial-canker,silver-leaf" doc:"sicknesses it resists, as its label or its years say"`
	Elsewhere   bool              `json:"elsewhere,omitempty" doc:"a neighbour's tree, noted as a partner in bloom"`
	Gone        *almanac.Day      `json:"gone,omitempty"`
	GoneWhy     string            `json:"gone_why,omitempty" enum:"lost,moved,removed,mistake"`
}

// TreeVersion is a version a tree's document has had.
type TreeVersion struct {
	Version int    `json:"version"`
	At      string `json:"at"`
	Tree    Tree   `json:"tree"`
}

// AddTree adds a tree to an orchard. Error: given.Fault.
func (s *Store) AddTree(ctx context.Context, orchardID string, t *Tree) error {
	if t.ID == "" {
		t.ID = NewID()
	}
	t.Version = 1
	body, err := json.Marshal(t)
	if err != nil {
		return err
	}
	return s.tx(ctx, func(tx *sql.Tx) error {
		if err := touch(ctx, tx, orchardID); err != nil {
			return err
		}
		if err := codeFree(ctx, tx, orchardID, t); err != nil {
			return err
		}
		if _, err := tx.ExecContext(ctx, "INSERT INTO trees (id, orchard_id, code, version, body, doc_version) VALUES (?, ?, ?, 1, ?, ?)", t.ID, orchardID, t.Code, string(body), shapeOf("trees")); err != nil {
			return err
		}
		return s.keepVersion(ctx, tx, t)
	})
}

func codeFree(ctx context.Context, tx *sql.Tx, orchardID string, t *Tree) error {
	var n int
	err := tx.QueryRowContext(ctx, "SELECT count(*) FROM trees WHERE orchard_id = ? AND code = ? AND id <> ?", orchardID, t.Code, t.ID).Scan(&n)
	if err == nil && n > 0 {
		return given.Fault{Code: "code_taken", Field: "code", Given: t.Code, Expected: "a code no other tree has"}
	}
	return err
}

func (s *Store) keepVersion(ctx context.Context, tx *sql.Tx, t *Tree) error {
	body, err := json.Marshal(t)
	if err != nil {
		return err
	}
	_, err = tx.ExecContext(ctx, "INSERT INTO tree_versions (tree_id, version, at, body, doc_version) VALUES (?, ?, ?, ?, ?)", t.ID, t.Version, s.stamp(), string(body), shapeOf("tree_versions"))
	return err
}

// Trees lists an orchard's trees by code, gone ones too.
func (s *Store) Trees(ctx context.Context, orchardID string) ([]Tree, error) {
	ts, _, err := s.soundTrees(ctx, orchardID)
	return ts, err
}

// soundTrees are the trees that can be read, and those that cannot.
func (s *Store) soundTrees(ctx context.Context, orchardID string) ([]Tree, []Broken, error) {
	all, broken, err := sound(ctx, s.db, "trees", func(t *Tree, id string, v int) { t.ID, t.Version = id, v }, "SELECT id, version, body FROM trees WHERE orchard_id = ? ORDER BY code", orchardID)
	out := all[:0]
	for i := range all {
		if _, err := all[i].Core(); err != nil { // of a kind that this program does not know
			broken = append(broken, Broken{"trees", all[i].ID, err.Error()})
			continue
		}
		out = append(out, all[i])
	}
	return out, broken, err
}

// Tree finds a tree of an orchard. Error: ErrNotFound.
func (s *Store) Tree(ctx context.Context, orchardID, id string) (*Tree, error) {
	ts, err := rows(ctx, s.db, func(t *Tree, id string, v int) { t.ID, t.Version = id, v }, "SELECT id, version, body FROM trees WHERE orchard_id = ? AND id = ?", orchardID, id)
	if err != nil {
		return nil, err
	}
	if len(ts) == 0 {
		return nil, ErrNotFound
	}
	return &ts[0], nil
}

// SaveTree writes a tree's document and keeps the version before it. Errors: *Conflict, given.Fault, ErrNotFound.
func (s *Store) SaveTree(ctx context.Context, orchardID string, t *Tree) error {
	return s.tx(ctx, func(tx *sql.Tx) error {
		if err := codeFree(ctx, tx, orchardID, t); err != nil {
			return err
		}
		if err := exists(ctx, tx, "trees", orchardID, t.ID); err != nil {
			return err
		}
		v, err := update(ctx, tx, "trees", t.ID, t.Version, t)
		if err != nil {
			return err
		}
		t.Version = v
		if _, err := tx.ExecContext(ctx, "UPDATE trees SET code = ? WHERE id = ?", t.Code, t.ID); err != nil {
			return err
		}
		if err := s.keepVersion(ctx, tx, t); err != nil {
			return err
		}
		return touch(ctx, tx, orchardID)
	})
}

// TreeHistory lists the versions a tree's document has had, oldest first.
func (s *Store) TreeHistory(ctx context.Context, id string) ([]TreeVersion, error) {
	rs, err := s.db.QueryContext(ctx, "SELECT version, at, body FROM tree_versions WHERE tree_id = ? ORDER BY version", id)
	if err != nil {
		return nil, err
	}
	defer func() { _ = rs.Close() }()
	out := []TreeVersion{}
	for rs.Next() {
		var v TreeVersion
		var body string
		if err := rs.Scan(&v.Version, &v.At, &body); err != nil {
			return nil, err
		}
		if err := json.Unmarshal([]byte(body), &v.Tree); err != nil {
			return nil, err
		}
		out = append(out, v)
	}
	return out, rs.Err()
}

// RemoveTree deletes a tree entered by mistake, while nothing was logged on it. Errors: *Conflict, ErrNotFound.
func (s *Store) RemoveTree(ctx context.Context, orchardID, id string) error {
	var n int
	if err := s.db.QueryRowContext(ctx, "SELECT count(*) FROM entries WHERE tree_id = ?", id).Scan(&n); err != nil {
		return err
	}
	if n > 0 {
		return &Conflict{Fault: given.Fault{
			Code: "has_entries", Field: "tree", Given: fmt.Sprintf("%d journal entries", n), Expected: "none: mark it gone instead",
			Says: "Work was logged on this tree, so its journal is kept: mark it gone instead.",
		}}
	}
	return s.remove(ctx, "trees", orchardID, id)
}

func itoa(n int) string { return strconv.Itoa(n) }
