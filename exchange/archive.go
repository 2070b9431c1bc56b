package exchange

import (
	"bytes"
	"context"
	"crypto/sha256"
	"encoding/hex"
	"encoding/json"
	"errors"
	"fmt"
	"io"
	"maps"
	"slices"
	"strings"

	"vertumna/contract"
	"vertumna/core/almanac"
	"vertumna/core/given"
	"vertumna/core/limb"
	"vertumna/core/year"
	"vertumna/store"
)

// ArchiveFormat names the archive; ArchiveVersion moves when its shape does: 2 carries taps, the trees' histories and a checksum.
const (
	ArchiveFormat  = "vertumna-archive"
	ArchiveVersion = 2
)

// Archive is whole orchards as JSON, with every entry ever logged.
type Archive struct {
	Format   string            `json:"format"`
	Version  int               `json:"version"`
	Sum      string            `json:"sha256,omitempty" doc:"of the orchards, their fields in order and without spaces"`
	Orchards []ArchivedOrchard `json:"orchards"`
}

// ArchivedOrchard is one orchard of an archive.
type ArchivedOrchard struct {
	Orchard store.Orchard   `json:"orchard"`
	People  []store.Person  `json:"people"`
	Trees   []store.Tree    `json:"trees"`
	Journal []store.Entry   `json:"journal"`
	Own     []store.OwnTask `json:"own_tasks"`

	// By tree id; maps and versions oldest first.
	LimbMaps map[string][]store.LimbMap     `json:"limb_maps,omitempty"`
	Versions map[string][]store.TreeVersion `json:"tree_versions,omitempty"`
	Taps     map[string][]store.KeptTap     `json:"taps,omitempty"`

	Words   map[string]store.TrainingWords `json:"training_words,omitempty" doc:"what a person says of a young tree's shoots and buds, by tree"`
	Set     map[string]almanac.Day         `json:"set_days,omitempty" doc:"days set by hand, by task"`
	Weather []store.KnownDay               `json:"weather,omitempty" doc:"days of weather as they were"`
}

// inArchive is what is wrong with an archive.
func inArchive(field, was, expected string) error {
	return given.Faults{{Code: "bad_archive", Field: field, Given: was, Expected: expected}}
}

// Export gathers an orchard into an archive.
func Export(ctx context.Context, s *store.Store, slug string) (*Archive, error) {
	c, err := s.Contents(ctx, slug)
	if err != nil {
		return nil, err
	}
	if len(c.SetAside) > 0 { // an archive tells all there is, or says that it cannot
		return nil, c.SetAside[0]
	}
	journal, broken, err := s.Journal(ctx, c.Orchard.ID)
	if err == nil && len(broken) > 0 {
		return nil, broken[0]
	}
	if err != nil {
		return nil, err
	}
	o := ArchivedOrchard{
		Orchard: *c.Orchard, People: c.People, Trees: c.Trees, Journal: journal, Own: c.Own,
		LimbMaps: map[string][]store.LimbMap{}, Versions: map[string][]store.TreeVersion{}, Taps: map[string][]store.KeptTap{},
	}
	o.Set, o.Words = c.Set, c.Words
	o.Weather = c.Sky.Days
	for _, t := range c.Trees {
		limbMaps, err := s.Maps(ctx, t.ID)
		if err != nil {
			return nil, err
		}
		versions, err := s.TreeHistory(ctx, t.ID)
		if err != nil {
			return nil, err
		}
		taps, err := s.Taps(ctx, t.ID)
		if err != nil {
			return nil, err
		}
		put(o.LimbMaps, t.ID, limbMaps)
		put(o.Versions, t.ID, versions)
		put(o.Taps, t.ID, taps)
	}
	a := &Archive{Format: ArchiveFormat, Version: ArchiveVersion, Orchards: []ArchivedOrchard{o}}
	text, err := json.Marshal(a.Orchards)
	if err == nil {
		a.Sum, err = sumOf(text)
	}
	return a, err
}

func put[T any](in map[string][]T, id string, list []T) {
	if len(list) > 0 {
		in[id] = list
	}
}

// sumOf is the checksum of JSON, however it is spaced and its fields are ordered.
func sumOf(text []byte) (string, error) {
	var v any
	if err := json.Unmarshal(text, &v); err != nil {
		return "", err
	}
	plain, err := json.Marshal(v)
	sum := sha256.Sum256(plain)
	return hex.EncodeToString(sum[:]), err
}

// ReadArchive reads and checks an archive before anything is written: every document as its form is checked, ids that are used once,
// and names that are there. Errors: given.Faults, all that is wrong.
func ReadArchive(r io.Reader) (*Archive, error) {
	text, err := io.ReadAll(r)
	if err != nil {
		return nil, err
	}
	var outside struct {
		Format   string            `json:"format"`
		Version  int               `json:"version"`
		Sum      string            `json:"sha256"`
		Orchards []json.RawMessage `json:"orchards"`
	}
	if err := json.Unmarshal(text, &outside); err != nil {
		return nil, inArchive("archive", shortly(err), "JSON of an archive, and nothing after it")
	}
	if outside.Format != ArchiveFormat {
		return nil, inArchive("format", fmt.Sprintf("%q", outside.Format), ArchiveFormat)
	}
	if outside.Version < 1 || outside.Version > ArchiveVersion {
		return nil, inArchive("version", fmt.Sprint(outside.Version), fmt.Sprintf("1 to %d: use a newer program", ArchiveVersion))
	}
	var plain map[string]any
	if err := json.Unmarshal(text, &plain); err != nil { // a number beyond all bounds
		return nil, inArchive("archive", shortly(err), "numbers within their bounds")
	}
	if fs := byContract(plain); len(fs) > 0 {
		return nil, fs
	}
	var a Archive
	if err := json.NewDecoder(bytes.NewReader(text)).Decode(&a); err != nil {
		return nil, inArchive("archive", shortly(err), "documents of an orchard")
	}
	if outside.Sum != "" {
		whole, err := json.Marshal(plain["orchards"])
		if err != nil {
			return nil, err
		}
		if sum, err := sumOf(whole); err != nil || sum != outside.Sum {
			return nil, inArchive("sha256", outside.Sum, sum+": the archive is damaged or was changed by hand; take the field out to read it all the same")
		}
	}
	var fs given.Faults
	for i := range a.Orchards {
		fs = append(fs, a.Orchards[i].check(fmt.Sprintf("orchards[%d]", i))...)
	}
	return &a, fs.Err()
}

func shortly(err error) string {
	text := err.Error()
	return text[:min(len(text), 200)]
}

// byContract checks every document of an archive as the forms are checked. What an older program did not yet write is passed over.
func byContract(plain map[string]any) (fs given.Faults) {
	all, _ := plain["orchards"].([]any)
	for i, x := range all {
		at := fmt.Sprintf("orchards[%d]", i)
		for _, f := range contract.Check[ArchivedOrchard](x, at) {
			if f.Code != contract.Missing {
				fs = append(fs, f)
			}
		}
	}
	return fs
}

// check tells what of an orchard's documents cannot be, by themselves and side by side.
func (o *ArchivedOrchard) check(at string) (fs given.Faults) {
	below := func(where string, more given.Faults) {
		for _, f := range more {
			fs.Add(f.Code, at+"."+where+"."+f.Field, f.Given, f.Expected)
		}
	}
	once := func(list string) func(j int, id string) {
		seen := map[string]bool{}
		return func(j int, id string) {
			if seen[id] {
				fs.Add("bad_archive", fmt.Sprintf("%s.%s[%d].id", at, list, j), fmt.Sprintf("%q, given twice", id), "an id used once")
			}
			seen[id] = true
		}
	}
	below("orchard", o.Orchard.Check())
	person, tree, entry, own := once("people"), once("trees"), once("journal"), once("own_tasks")
	for j := range o.People {
		person(j, o.People[j].ID)
		below(fmt.Sprintf("people[%d]", j), o.People[j].Check())
	}
	trees, codes := map[string]bool{}, map[string]bool{}
	for j := range o.Trees {
		t := &o.Trees[j]
		tree(j, t.ID)
		below(fmt.Sprintf("trees[%d]", j), t.Check())
		if trees[t.ID] = true; t.Gone == nil && t.Code != "" {
			if codes[t.Code] {
				fs.Add("bad_archive", fmt.Sprintf("%s.trees[%d].code", at, j), t.Code, "a code no other tree has")
			}
			codes[t.Code] = true
		}
	}
	known := func(field, id string) {
		if !trees[id] {
			fs.Add("bad_archive", at+"."+field, id, "the id of a tree in the archive")
		}
	}
	for _, id := range slices.Sorted(maps.Keys(o.LimbMaps)) {
		known("limb_maps", id)
		for j := range o.LimbMaps[id] {
			if _, err := limb.Check(o.LimbMaps[id][j].Doc); err != nil {
				fs.Add("bad_archive", fmt.Sprintf("%s.limb_maps[%s][%d]", at, id, j), shortly(err), "a sound limb map")
			}
		}
	}
	for _, id := range slices.Sorted(maps.Keys(o.Versions)) {
		known("tree_versions", id)
	}
	for _, id := range slices.Sorted(maps.Keys(o.Taps)) {
		known("taps", id)
	}
	for _, id := range slices.Sorted(maps.Keys(o.Words)) {
		known("training_words", id)
	}
	for j := range o.Journal {
		e := &o.Journal[j]
		entry(j, e.ID)
		below(fmt.Sprintf("journal[%d]", j), e.Check())
		if _, known := year.TaskKind(e.Task).Facts(); e.Kind == string(year.WorkEntry) && e.Task != "" && !known {
			fs.Add("bad_archive", fmt.Sprintf("%s.journal[%d].task", at, j), e.Task, "a kind of task")
		}
		if e.TreeID != "" {
			known(fmt.Sprintf("journal[%d].tree_id", j), e.TreeID)
		}
	}
	for j, d := range o.Weather {
		if d.Tmin > d.Tmax {
			fs.Add("bad_archive", fmt.Sprintf("%s.weather[%d].tmin", at, j), fmt.Sprint(d.Tmin), "no warmer than the day's warmest")
		}
	}
	for j := range o.Own {
		own(j, o.Own[j].ID)
		below(fmt.Sprintf("own_tasks[%d]", j), o.Own[j].Check())
		if o.Own[j].TreeID != "" {
			known(fmt.Sprintf("own_tasks[%d].tree_id", j), o.Own[j].TreeID)
		}
	}
	return fs
}

// Import adds the orchards of an archive as new ones, with new ids, and returns their slugs: all of them, or none.
func Import(ctx context.Context, s *store.Store, a *Archive) ([]string, error) {
	var slugs []string
	err := s.Together(ctx, func(s *store.Store) error {
		for _, o := range a.Orchards {
			slug, err := importOne(ctx, s, o)
			if err != nil {
				return err
			}
			slugs = append(slugs, slug)
		}
		return nil
	})
	if err != nil {
		return nil, err
	}
	return slugs, nil
}

func importOne(ctx context.Context, s *store.Store, a ArchivedOrchard) (string, error) {
	o := a.Orchard
	o.ID = ""
	if err := s.AddOrchard(ctx, &o); err != nil {
		return "", err
	}
	for i := range a.People {
		a.People[i].ID = ""
		if err := s.AddPerson(ctx, o.ID, &a.People[i]); err != nil {
			return "", err
		}
	}
	ids := map[string]string{"": ""}
	for i := range a.Trees {
		id, err := importTree(ctx, s, o.ID, &a, a.Trees[i])
		if err != nil {
			return "", err
		}
		ids[a.Trees[i].ID] = id
	}
	for _, e := range inOrderOfCorrection(a.Journal) {
		old := e.ID
		e.ID, e.TreeID, e.Corrects = "", ids[e.TreeID], ids[e.Corrects]
		e.TaskID = renamed(e.TaskID, ids)
		if err := s.AddEntry(ctx, o.ID, &e); err != nil {
			return "", err
		}
		ids[old] = e.ID
	}
	for i := range a.Own {
		old := a.Own[i].ID
		a.Own[i].ID, a.Own[i].TreeID = "", ids[a.Own[i].TreeID]
		if err := s.AddOwnTask(ctx, o.ID, &a.Own[i]); err != nil {
			return "", err
		}
		ids[old] = a.Own[i].ID
	}
	for _, task := range slices.Sorted(maps.Keys(a.Set)) {
		if err := s.SetDay(ctx, o.ID, renamed(task, ids), a.Set[task]); err != nil {
			return "", err
		}
	}
	for _, tree := range slices.Sorted(maps.Keys(a.Words)) {
		if err := s.SetWords(ctx, o.ID, ids[tree], a.Words[tree]); err != nil {
			return "", err
		}
	}
	for _, source := range []string{store.FromStation, store.FromFile, store.FromOwn} {
		of := slices.DeleteFunc(slices.Clone(a.Weather), func(d store.KnownDay) bool { return d.Source != source })
		if _, err := s.SaveDays(ctx, o.ID, source, of); err != nil {
			return "", err
		}
	}
	return o.Slug, nil
}

// renamed is a task's id with the new ids of its tree and of an own task: the parts of it stand between dots.
func renamed(task string, ids map[string]string) string {
	parts := strings.Split(task, ".")
	for i, part := range parts {
		if is, ok := ids[part]; ok && part != "" {
			parts[i] = is
		}
	}
	return strings.Join(parts, ".")
}

// importTree adds a tree with its maps, its history and its taps, and gives its new id.
func importTree(ctx context.Context, s *store.Store, orchardID string, a *ArchivedOrchard, t store.Tree) (string, error) {
	old := t.ID
	t.ID = ""
	if err := s.AddTree(ctx, orchardID, &t); err != nil {
		return "", err
	}
	taps, ids := slices.Clone(a.Taps[old]), map[string]string{"": ""}
	for i := range taps {
		was := taps[i].ID
		taps[i].ID = store.NewID()
		ids[was] = taps[i].ID
	}
	for i := range taps {
		taps[i].Undoes = ids[taps[i].Undoes]
	}
	return t.ID, errors.Join(s.RestoreMaps(ctx, t.ID, a.LimbMaps[old]), s.RestoreVersions(ctx, t.ID, a.Versions[old]), s.RestoreTaps(ctx, t.ID, taps))
}

// inOrderOfCorrection puts each entry after the one it corrects.
func inOrderOfCorrection(in []store.Entry) []store.Entry {
	var out []store.Entry
	placed := map[string]bool{"": true}
	for len(out) < len(in) {
		n := len(out)
		for _, e := range in {
			if !placed[e.ID] && placed[e.Corrects] {
				out, placed[e.ID] = append(out, e), true
			}
		}
		if len(out) > n {
			continue
		}
		for _, e := range in { // a correction of nothing known: kept as an entry of its own
			if !placed[e.ID] {
				e.Corrects = ""
				out, placed[e.ID] = append(out, e), true
			}
		}
		break
	}
	return out
}
