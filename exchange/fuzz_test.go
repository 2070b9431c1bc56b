package exchange_test

import (
	"bytes"
	"context"
	"encoding/json"
	"errors"
	"math"
	"path/filepath"
	"testing"

	"github.com/stretchr/testify/require"

	"vertumna/core/almanac"
	"vertumna/core/given"
	"vertumna/core/limb"
	"vertumna/exchange"
	"vertumna/internal/mutants"
	"vertumna/store"
)

// told: what is refused names what is wrong.
func told(t *testing.T, err error) {
	t.Helper()
	var fault given.Fault
	var faults given.Faults
	switch {
	case errors.As(err, &faults):
		require.NotEmpty(t, faults)
		fault = faults[0]
	default:
		require.ErrorAs(t, err, &fault)
	}
	require.NotEmpty(t, fault.Field, "%v", err)
	require.NotEmpty(t, fault.Expected, "%v", err)
}

func FuzzArchive(f *testing.F) {
	ctx := context.Background()
	st, err := store.Open(ctx, filepath.Join(f.TempDir(), "f.db"))
	require.NoError(f, err)
	o := &store.Orchard{Name: "Field"}
	require.NoError(f, st.AddOrchard(ctx, o))
	tree := &store.Tree{Code: "A1", Kind: "apple", X: 1, Y: 2}
	require.NoError(f, st.AddTree(ctx, o.ID, tree))
	require.NoError(f, st.SaveMap(ctx, o.ID, tree.ID, &store.LimbMap{Revision: store.Revision{Date: almanac.DateOf(2027, 2, 3), Cause: store.CauseSketch}, Doc: sketched(f)}))
	require.NoError(f, st.AddEntry(ctx, o.ID, &store.Entry{TreeID: tree.ID, Date: almanac.DateOf(2027, 2, 3), Kind: "note", Note: "wind"}))
	archive, err := exchange.Export(ctx, st, o.Slug)
	require.NoError(f, err)
	text, err := json.Marshal(archive)
	require.NoError(f, err)
	archive.Sum = "" // so that what is changed goes on past the checksum
	loose, err := json.Marshal(archive)
	require.NoError(f, err)
	require.NoError(f, st.Close())
	small, err := json.Marshal(exchange.Archive{Format: exchange.ArchiveFormat, Version: exchange.ArchiveVersion})
	require.NoError(f, err)
	mutants.Add(f, text, loose, small)
	f.Fuzz(func(t *testing.T, text []byte) {
		got, err := exchange.ReadArchive(bytes.NewReader(text))
		if err != nil {
			told(t, err)
			return
		}
		for i := range got.Orchards { // what is let in is sound
			for _, maps := range got.Orchards[i].LimbMaps {
				for k := range maps {
					_, err := limb.Check(maps[k].Doc)
					require.NoError(t, err)
				}
			}
		}
		got.Sum = ""
		again, err := json.Marshal(got)
		require.NoError(t, err)
		back, err := exchange.ReadArchive(bytes.NewReader(again))
		require.NoError(t, err, "what was read can be written and read again")
		require.Len(t, back.Orchards, len(got.Orchards))
	})
}

func FuzzLimbsCSV(f *testing.F) {
	var table bytes.Buffer
	require.NoError(f, exchange.LimbsCSV(&table, sketched(f)))
	mutants.Add(f, table.Bytes(), []byte("id,parent,attach_cm,length_cm,diameter_mm\nT,,,100,20\nS1,T,60,40,12\n"))
	f.Fuzz(func(t *testing.T, text []byte) {
		doc, err := exchange.ReadLimbsCSV(bytes.NewReader(text), limb.Doc{Species: "pear"})
		if err != nil {
			told(t, err)
			return
		}
		m, err := limb.Check(doc)
		require.NoError(t, err)
		require.False(t, math.IsNaN(m.Height()) || math.IsInf(m.Height(), 0))
		var out bytes.Buffer
		require.NoError(t, exchange.LimbsCSV(&out, doc))
		back, err := exchange.ReadLimbsCSV(&out, limb.Doc{Species: "pear"})
		require.NoError(t, err, "what was read can be written and read again")
		require.Len(t, back.Limbs, len(doc.Limbs))
		for i := range doc.Limbs {
			require.Equal(t, doc.Limbs[i].ID, back.Limbs[i].ID)
			require.Equal(t, doc.Limbs[i].LengthCM, back.Limbs[i].LengthCM)
			require.Equal(t, doc.Limbs[i].Note, back.Limbs[i].Note)
		}
	})
}

func FuzzNormals(f *testing.F) {
	mutants.Add(f, []byte("month,tmax,tmin,rain\n1,5,-2,60\n2,6,-2,55\n3,10,1,60\n4,14,4,60\n5,19,8,80\n6,22,11,90\n7,25,13,90\n8,24,13,85\n9,20,10,70\n10,15,6,70\n11,9,2,65\n12,5,-1,65\n"),
		[]byte("tmax_f,tmin_f,rain_in,wind_mph\n"+string(bytes.Repeat([]byte("60,40,2,5\n"), 12))))
	base := almanac.Climates()[0]
	f.Fuzz(func(t *testing.T, text []byte) {
		site, err := exchange.ReadNormals(bytes.NewReader(text), base)
		if err != nil {
			require.NotEmpty(t, err.Error())
			return
		}
		require.NoError(t, site.Check())
		for m := range 12 {
			require.False(t, math.IsNaN(site.Tmax[m]+site.Tmin[m]+site.RainMM[m]))
		}
	})
}
