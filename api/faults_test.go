package api_test

import (
	"context"
	"database/sql"
	"encoding/json"
	"fmt"
	"os"
	"path/filepath"
	"strings"
	"testing"

	"github.com/stretchr/testify/require"

	"vertumna/store"
)

// faulty is something that befell a file while the program was down: each ends in a program that opens and plans. Kept tells that nothing
// of the rest is gone.
var faulty = []struct {
	name string
	sql  []string // done to the file as nobody should
	file func(t *testing.T, path string)
}{
	{name: "a tree 260 m off: a lost decimal point", sql: []string{`UPDATE trees SET body = json_set(body, '$.x', 260) WHERE id = 'lower-terrace-B1'`}},
	{name: "a tree beyond all bounds", sql: []string{`UPDATE trees SET body = json_set(body, '$.y', -1e12) WHERE id = 'lower-terrace-B2'`}},
	{name: "a tree of a kind nobody knows", sql: []string{`UPDATE trees SET body = json_set(body, '$.kind', 'oak') WHERE id = 'lower-terrace-B2'`}},
	{name: "a tree that is no document", sql: []string{`UPDATE trees SET body = '[1,2]' WHERE id = 'lower-terrace-C2'`}},
	{name: "a person that is no document", sql: []string{`UPDATE people SET body = '"Orla"'`}},
	{name: "a person of no height", sql: []string{`UPDATE people SET body = json_set(body, '$.fingertip_cm', -7)`}},
	{name: "an entry in the year 9999", sql: []string{`UPDATE entries SET date = '9999-12-31', body = json_set(body, '$.date', '9999-12-31') WHERE id = (SELECT min(id) FROM entries)`}},
	{name: "an entry whose day is a word", sql: []string{`UPDATE entries SET body = json_set(body, '$.date', 'soon') WHERE id = (SELECT min(id) FROM entries)`}},
	{name: "an entry of no kind", sql: []string{`UPDATE entries SET body = json_set(body, '$.kind', 'sang to it') WHERE id = (SELECT min(id) FROM entries)`}},
	{name: "a task of one's own that is no document", sql: []string{`UPDATE own_tasks SET body = '7'`}},
	{name: "a map that is no map", sql: []string{`UPDATE limb_maps SET body = '{"limbs":"all"}', whole = NULL, change = NULL WHERE tree_id = 'lower-terrace-A4'`}},
	{name: "a map whose change is cut off", sql: []string{`UPDATE limb_maps SET body = NULL, whole = 1, change = x'28b52ffd' WHERE tree_id = 'lower-terrace-A4'`}},
	{name: "a map of a stem foot 1e9 away", sql: []string{`UPDATE limb_maps SET body = json_set(body, '$.limbs[0].x_cm', 1e9) WHERE tree_id = 'lower-terrace-A4' AND body IS NOT NULL`}},
	{name: "a limb of 95,000 rings", sql: []string{`WITH RECURSIVE n(i, t) AS (SELECT 1, '1' UNION ALL SELECT 2 * i, t || ',' || t FROM n WHERE i < 65536)
		UPDATE limb_maps SET body = json_set(body, '$.limbs[1].rings_cm', json('[' || (SELECT t FROM n ORDER BY i DESC LIMIT 1) || ']')) WHERE tree_id = 'lower-terrace-A4' AND body IS NOT NULL`}},
	{name: "a chain of 1,900 limbs", sql: []string{chainOf(1900)}},
	{name: "slips kept that are no slips", sql: []string{`UPDATE slip_amounts SET body = '{"work": "much"}'`}},
	{name: "a plot as wide as a county", sql: []string{`UPDATE orchards SET body = json_set(body, '$.outline', json('[[0,0],[99999,0],[99999,99999],[0,99999]]')) WHERE slug = 'lower-terrace'`}},
	{name: "weather that is none", sql: []string{`INSERT OR REPLACE INTO weather_days SELECT id, '2027-02-01', 'file', 900, -900, -1, 1e300 FROM orchards`}},
	{name: "a day of the weather that is no day", sql: []string{`INSERT OR REPLACE INTO weather_days SELECT id, 'yesterday', 'file', 1, 5, 0, 0 FROM orchards`}},
	{name: "a forecast that is none", sql: []string{`INSERT OR REPLACE INTO forecasts SELECT id, 'now', 'now', '', '[{"date": 5}]' FROM orchards`}},
	{name: "a day set for a job that is not there", sql: []string{`INSERT OR REPLACE INTO chosen_days (orchard_id, task_id, day) SELECT id, 'nothing-of-the-sort', '2027-02-30' FROM orchards`}},
	{name: "a word on a shoot that is no document", sql: []string{`INSERT INTO training_words (tree_id, body) SELECT id, 'well' FROM trees`}},
	{name: "words on shoots that are not there", sql: []string{`INSERT INTO training_words (tree_id, body) SELECT id, '{"marks": [{"limb": "nowhere", "mark": "out", "angle_deg": 1e300}], "buds": null}' FROM trees`}},
	{name: "another orchard that is no document", sql: []string{`INSERT INTO orchards (id, slug, version, body) VALUES ('x', 'ruin', 1, '[]')`}},
	{name: "its log cut off in the middle", file: func(t *testing.T, path string) { logOf(t, path, 0.5) }},
	{name: "its log full of noise", file: func(t *testing.T, path string) {
		require.NoError(t, os.WriteFile(path+"-wal", []byte(strings.Repeat("noise ", 9000)), 0o600))
	}},
	{name: "its index of the log from elsewhere", file: func(t *testing.T, path string) {
		require.NoError(t, os.WriteFile(path+"-shm", make([]byte, 32768), 0o600))
	}},
	{name: "a copy half made beside it", file: func(t *testing.T, path string) {
		require.NoError(t, os.WriteFile(path+".new", []byte("SQLite format 3\x00"), 0o600))
	}},
}

// chainOf makes the map of a tree one of n limbs, each on the one before.
func chainOf(n int) string {
	limbs := []object{{"id": "T", "length_cm": 50, "diameter_mm": 900}}
	for k := range n {
		parent := "T"
		if k > 0 {
			parent = fmt.Sprint("L", k-1)
		}
		limbs = append(limbs, object{"id": fmt.Sprint("L", k), "parent": parent, "attach_cm": 20, "length_cm": 40, "diameter_mm": 20})
	}
	text, _ := json.Marshal(object{"species": "apple", "limbs": limbs})
	return fmt.Sprintf(`UPDATE limb_maps SET body = '%s', whole = NULL, change = NULL WHERE tree_id = 'lower-terrace-A4'`, text)
}

// logOf leaves a write in the log of a file, and of that a part.
func logOf(t *testing.T, path string, part float64) {
	t.Helper()
	s, err := store.Open(context.Background(), path)
	require.NoError(t, err)
	o, err := s.Orchard(context.Background(), "lower-terrace")
	require.NoError(t, err)
	require.NoError(t, s.AddEntry(context.Background(), o.ID, &store.Entry{Date: day("2027-02-18"), Kind: "note", Note: strings.Repeat("half of it ", 2000)}))
	log, err := os.ReadFile(path + "-wal")
	require.NoError(t, err)
	whole, err := os.ReadFile(path)
	require.NoError(t, err)
	require.NoError(t, s.Close())
	require.NoError(t, os.WriteFile(path, whole, 0o600)) // as a power cut leaves them
	require.NoError(t, os.WriteFile(path+"-wal", log[:int(part*float64(len(log)))], 0o600))
}

func TestWhateverBefellTheFileItOpensAndPlansTheRest(t *testing.T) {
	require.GreaterOrEqual(t, len(faulty), 20)
	file := demoFile(t, "2027-02-20")
	for _, f := range faulty {
		t.Run(f.name, func(t *testing.T) {
			t.Parallel()
			path := filepath.Join(t.TempDir(), "o.db")
			require.NoError(t, os.WriteFile(path, file, 0o600))
			if f.file != nil {
				f.file(t, path)
			}
			if len(f.sql) > 0 {
				db, err := sql.Open("sqlite", "file:"+path)
				require.NoError(t, err)
				for _, q := range f.sql {
					res, err := db.Exec(q)
					require.NoError(t, err)
					n, err := res.RowsAffected()
					require.NoError(t, err)
					require.NotZero(t, n, "it befell something")
				}
				require.NoError(t, db.Close())
			}
			s, err := store.Open(context.Background(), path)
			require.NoError(t, err)
			require.NoError(t, keeper(s, day("2027-02-20")).MakeSlips(context.Background()), "as a start makes them")
			a := serving(t, s, "2027-02-20")
			plan := a.ok("GET", lt+"/plan", nil)
			require.GreaterOrEqual(t, len(list(plan, "trees")), 15, "the other trees are planned: %v", plan["set_aside"])
			require.NotEmpty(t, a.ok("GET", lt+"/docket", nil)["now"])
			a.ok("GET", lt+"/sheet", nil)
			a.ok("GET", lt+"/light", nil)
			a.ok("POST", lt+"/entries", object{"date": "2027-02-19", "kind": "note", "note": "after it all"})
			require.Len(t, list(a.ok("GET", "/api/orchards/saltwind/plan", nil), "trees"), 6, "the other orchard is whole")
		})
	}
}
