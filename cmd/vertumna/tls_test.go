package main

import (
	"bytes"
	"context"
	"crypto/tls"
	"crypto/x509"
	"net/http"
	"os"
	"path/filepath"
	"testing"
	"time"

	"github.com/stretchr/testify/require"

	"vertumna/store"
)

func TestThePassphraseCommandSetsTheFirstAndALostOne(t *testing.T) {
	db := filepath.Join(t.TempDir(), "x.db")
	set := func(words string, args ...string) error {
		c := root()
		c.SetArgs(append([]string{"passphrase", "--db", db}, args...))
		c.SetIn(bytes.NewBufferString(words + "\n"))
		c.SetOut(&bytes.Buffer{})
		c.SetErr(&bytes.Buffer{})
		return c.ExecuteContext(t.Context())
	}
	require.ErrorContains(t, set("three quinces by the gate"), "there is no database in it")
	s, err := store.Open(t.Context(), db)
	require.NoError(t, err)
	require.NoError(t, s.Close())
	require.ErrorContains(t, set("short"), "10 to 200 letters")
	require.ErrorContains(t, set("three quinces by the gate", "--role", "guest"), "owner or helper")
	for _, words := range []string{"three quinces by the gate", "another quince altogether"} {
		require.NoError(t, set(words))
		s, err := store.Open(t.Context(), db)
		require.NoError(t, err)
		role, err := s.RoleOf(t.Context(), words)
		require.NoError(t, err)
		require.Equal(t, store.Owner, role)
		none, err := s.RoleOf(t.Context(), words+" ")
		require.NoError(t, err)
		require.Empty(t, none)
		require.NoError(t, s.Close())
	}
}

func TestACertificateOfOnesOwnIsMadeKeptAndRenewed(t *testing.T) {
	db := filepath.Join(t.TempDir(), "x.db")
	now := time.Date(2027, 3, 10, 9, 0, 0, 0, time.UTC)
	clock := func() time.Time { return now }
	names := []string{"localhost", "127.0.0.1", "orchard.local"}
	first, err := certificateFor(db, "", "", names, clock)
	require.NoError(t, err)
	for _, file := range []string{db + ".key.pem", db + ".cert.pem"} {
		info, err := os.Stat(file)
		require.NoError(t, err)
		require.Equal(t, os.FileMode(0o600), info.Mode().Perm(), file)
	}
	again, err := certificateFor(db, "", "", names, clock)
	require.NoError(t, err)
	require.Equal(t, first.print(), again.print(), "a restart asks nobody to trust anew")

	// a phone that trusts it reaches the program by each of its names
	trusted := x509.NewCertPool()
	trusted.AddCert(first.held.Leaf)
	for _, name := range names {
		_, err := first.held.Leaf.Verify(x509.VerifyOptions{DNSName: name, Roots: trusted, CurrentTime: now})
		require.NoError(t, err, name)
	}
	moved, err := certificateFor(db, "", "", append(names, "192.168.7.9"), clock)
	require.NoError(t, err)
	require.NotEqual(t, first.print(), moved.print(), "a new address of the machine is a new certificate")

	// one that runs out is made anew while the program runs
	before := moved.print()
	now = now.Add(certLasts - certEarly + time.Hour)
	_, err = moved.config().GetCertificate(&tls.ClientHelloInfo{})
	require.NoError(t, err)
	require.NotEqual(t, before, moved.print())

	// a person's own that ran out is refused with its day
	cert, key := db+".cert.pem", db+".key.pem"
	now = now.Add(2 * certLasts)
	_, err = certificateFor(db, cert, key, names, clock)
	require.ErrorContains(t, err, "ran out on 2029-")
	require.NoError(t, os.WriteFile(key, []byte("x"), 0o600))
	_, err = certificateFor(db, cert, key, names, clock)
	require.ErrorContains(t, err, "--cert, --key")
	_, err = certificateFor(db, "", "", names, clock)
	require.ErrorContains(t, err, "take")
}

func TestTheHouseholdIsServedOverTLS(t *testing.T) {
	db := filepath.Join(t.TempDir(), "x.db")
	s, err := store.Open(t.Context(), db)
	require.NoError(t, err)
	require.NoError(t, s.SetPassphrase(t.Context(), store.Owner, "three quinces by the gate"))
	require.NoError(t, s.Close())
	ctx, stop := context.WithCancel(t.Context())
	c := root()
	c.SetArgs([]string{"serve", "--db", db, "--listen", "0.0.0.0:18475", "--quiet"})
	ended := make(chan error, 1)
	go func() { ended <- c.ExecuteContext(ctx) }()
	client := &http.Client{Transport: &http.Transport{TLSClientConfig: &tls.Config{InsecureSkipVerify: true}}} // trust is tested above
	require.Eventually(t, func() bool {
		r, err := client.Get("https://127.0.0.1:18475/api/orchards")
		if err != nil {
			return false
		}
		defer func() { _ = r.Body.Close() }()
		return r.StatusCode == http.StatusUnauthorized
	}, time.Minute, 50*time.Millisecond)
	r, err := http.Get("http://127.0.0.1:18475/api/orchards")
	if err == nil {
		require.Equal(t, http.StatusBadRequest, r.StatusCode, "plain http is no way in")
		_ = r.Body.Close()
	}
	stop()
	require.NoError(t, <-ended)
}
