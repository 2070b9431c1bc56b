package exchange

import (
	"context"
	"encoding/json"
	"fmt"
	"io"
	"maps"
	"slices"

	"vertumna/core/given"
	"vertumna/core/limb"
	"vertumna/core/pomology"
	"vertumna/store"
)

// ArchiveFormat names the archive; ArchiveVersion moves when its shape does.
const (
	ArchiveFormat  = "vertumna-archive"
	ArchiveVersion = 1
)

// Archive is whole orchards as JSON, with every entry ever logged.
type Archive struct {
	Format   string            `json:"format"`
	Version  int               `json:"version"`
	Orchards []ArchivedOrchard `json:"orchards"`
}

// ArchivedOrchard is one orchard of an archive.
type ArchivedOrchard struct {
	Orchard store.Orchard   `json:"orchard"`
	People  []store.Person  `json:"people"`
	Trees   []store.Tree    `json:"trees"`
	Journal []store.Entry   `json:"journal"`
	Own     []store.OwnTask `json:"own_tasks"`

	LimbMaps map[string][]store.LimbMap `json:"limb_maps,omitempty"` // by tree id, oldest revision first
}

// inArchive is what is wrong with an archive.
func inArchive(field, was, expected string) error {
	return given.Fault{Code: "bad_archive", Field: field, Given: was, Expected: expected}
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
	limbMaps := map[string][]store.LimbMap{}
	for _, t := range c.Trees {
		ms, err := s.Maps(ctx, t.ID)
		if err != nil {
			return nil, err
		}
		if len(ms) > 0 {
			limbMaps[t.ID] = ms
		}
	}
	return &Archive{ArchiveFormat, ArchiveVersion, []ArchivedOrchard{{*c.Orchard, c.People, c.Trees, journal, c.Own, limbMaps}}}, nil
}

// ReadArchive reads and checks an archive before anything is written. Errors: given.Fault.
func ReadArchive(r io.Reader) (*Archive, error) {
	var a Archive
	if err := json.NewDecoder(r).Decode(&a); err != nil {
		return nil, inArchive("archive", err.Error(), "JSON of an archive")
	}
	if a.Format != ArchiveFormat {
		return nil, inArchive("format", fmt.Sprintf("%q", a.Format), ArchiveFormat)
	}
	if a.Version < 1 || a.Version > ArchiveVersion {
		return nil, inArchive("version", fmt.Sprint(a.Version), fmt.Sprintf("1 to %d: use a newer program", ArchiveVersion))
	}
	for i, o := range a.Orchards {
		if err := o.check(fmt.Sprintf("orchards[%d]", i)); err != nil {
			return nil, err
		}
	}
	return &a, nil
}

func (o *ArchivedOrchard) check(at string) error {
	if o.Orchard.Site != nil {
		if err := o.Orchard.Site.Check(); err != nil {
			return inArchive(at+".orchard.site", err.Error(), "a sound place")
		}
	}
	trees := map[string]bool{}
	for j, t := range o.Trees {
		if _, err := pomology.BySlug(t.Kind); err != nil {
			return inArchive(fmt.Sprintf("%s.trees[%d].kind", at, j), t.Kind, "a kind of the table")
		}
		trees[t.ID] = true
	}
	for _, id := range slices.Sorted(maps.Keys(o.LimbMaps)) {
		if !trees[id] {
			return inArchive(at+".limb_maps", id, "the id of a tree in the archive")
		}
		for j := range o.LimbMaps[id] {
			if _, err := limb.Check(o.LimbMaps[id][j].Doc); err != nil {
				return inArchive(fmt.Sprintf("%s.limb_maps[%s][%d]", at, id, j), err.Error(), "a sound limb map")
			}
		}
	}
	for j, e := range o.Journal {
		if e.TreeID != "" && !trees[e.TreeID] {
			return inArchive(fmt.Sprintf("%s.journal[%d].tree_id", at, j), e.TreeID, "the id of a tree in the archive")
		}
	}
	return nil
}

// Import adds the orchards of an archive as new ones, with new ids, and returns their slugs. An orchard that cannot be
// written whole is taken out again.
func Import(ctx context.Context, s *store.Store, a *Archive) ([]string, error) {
	var slugs []string
	for _, o := range a.Orchards {
		slug, err := importOne(ctx, s, o)
		if err != nil {
			return slugs, err
		}
		slugs = append(slugs, slug)
	}
	return slugs, nil
}

func importOne(ctx context.Context, s *store.Store, a ArchivedOrchard) (slug string, err error) {
	o := a.Orchard
	o.ID = ""
	if err := s.AddOrchard(ctx, &o); err != nil {
		return "", err
	}
	defer func() {
		if err != nil {
			_ = s.RemoveOrchard(ctx, o.ID)
		}
	}()
	for i := range a.People {
		a.People[i].ID = ""
		if err := s.AddPerson(ctx, o.ID, &a.People[i]); err != nil {
			return "", err
		}
	}
	ids := map[string]string{"": ""}
	for i := range a.Trees {
		old := a.Trees[i].ID
		a.Trees[i].ID = ""
		if err := s.AddTree(ctx, o.ID, &a.Trees[i]); err != nil {
			return "", err
		}
		ids[old] = a.Trees[i].ID
		if err := s.RestoreMaps(ctx, a.Trees[i].ID, a.LimbMaps[old]); err != nil {
			return "", err
		}
	}
	for _, e := range inOrderOfCorrection(a.Journal) {
		old := e.ID
		e.ID, e.TreeID, e.Corrects = "", ids[e.TreeID], ids[e.Corrects]
		for was, is := range ids {
			if was != "" && len(e.TaskID) > len(was) && e.TaskID[:len(was)] == was {
				e.TaskID = is + e.TaskID[len(was):]
			}
		}
		if err := s.AddEntry(ctx, o.ID, &e); err != nil {
			return "", err
		}
		ids[old] = e.ID
	}
	for i := range a.Own {
		a.Own[i].ID, a.Own[i].TreeID = "", ids[a.Own[i].TreeID]
		if err := s.AddOwnTask(ctx, o.ID, &a.Own[i]); err != nil {
			return "", err
		}
	}
	return o.Slug, nil
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
		if len(out) == n { // a correction of nothing known: kept as an entry of its own
			for _, e := range in {
				if !placed[e.ID] {
					e.Corrects = ""
					out, placed[e.ID] = append(out, e), true
				}
			}
		}
	}
	return out
}
