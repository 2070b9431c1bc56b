package main

import (
	"crypto/ecdsa"
	"crypto/elliptic"
	"crypto/rand"
	"crypto/sha256"
	"crypto/tls"
	"crypto/x509"
	"crypto/x509/pkix"
	"encoding/hex"
	"encoding/pem"
	"errors"
	"fmt"
	"io/fs"
	"math/big"
	"net"
	"os"
	"slices"
	"strings"
	"sync"
	"time"
)

// How long a certificate of our own runs, and how long before its end it is made anew.
const (
	certLasts = 397 * 24 * time.Hour
	certEarly = 30 * 24 * time.Hour
)

// certificate is what the program proves itself by: the person's files, or one of its own beside the data.
type certificate struct {
	certFile, keyFile string
	own               bool
	names             []string
	now               func() time.Time

	mu   sync.Mutex
	held *tls.Certificate
}

// certificateFor reads a person's certificate, or makes the program's own beside the data. Names are what it is reached under.
func certificateFor(db, certFile, keyFile string, names []string, now func() time.Time) (*certificate, error) {
	if (certFile == "") != (keyFile == "") {
		return nil, errors.New("--cert, --key: one of them given, both or neither expected")
	}
	c := &certificate{certFile: certFile, keyFile: keyFile, names: names, now: now}
	if certFile == "" {
		c.own, c.certFile, c.keyFile = true, db+".cert.pem", db+".key.pem"
	}
	_, err := c.current()
	return c, err
}

// current is the certificate to show now; our own is made anew before it runs out or when the machine has another name.
func (c *certificate) current() (*tls.Certificate, error) {
	c.mu.Lock()
	defer c.mu.Unlock()
	if c.held != nil && c.now().Before(c.held.Leaf.NotAfter.Add(-certEarly)) {
		return c.held, nil
	}
	got, err := tls.LoadX509KeyPair(c.certFile, c.keyFile)
	switch {
	case !c.own && err != nil:
		return nil, fmt.Errorf("--cert, --key: %w", err)
	case !c.own && c.now().After(got.Leaf.NotAfter):
		return nil, fmt.Errorf("--cert: %s ran out on %s, one that still runs expected", c.certFile, got.Leaf.NotAfter.Format(time.DateOnly))
	case c.own && err != nil && !errors.Is(err, fs.ErrNotExist):
		return nil, fmt.Errorf("the certificate beside the data cannot be read: %w; take %s and %s away and a new one is made", err, c.certFile, c.keyFile)
	case c.own && (err != nil || !c.serves(got.Leaf)):
		if got, err = c.make(); err != nil {
			return nil, err
		}
	}
	c.held = &got
	return c.held, nil
}

// serves says whether a certificate runs long enough and has all names.
func (c *certificate) serves(leaf *x509.Certificate) bool {
	return c.now().Before(leaf.NotAfter.Add(-certEarly)) && !slices.ContainsFunc(c.names, func(n string) bool { return leaf.VerifyHostname(n) != nil })
}

// make makes a certificate of our own and writes it down, readable for its owner alone.
func (c *certificate) make() (tls.Certificate, error) {
	key, err := ecdsa.GenerateKey(elliptic.P256(), rand.Reader)
	if err != nil {
		return tls.Certificate{}, err
	}
	serial, err := rand.Int(rand.Reader, new(big.Int).Lsh(big.NewInt(1), 120))
	if err != nil {
		return tls.Certificate{}, err
	}
	t := x509.Certificate{
		SerialNumber: serial, Subject: pkix.Name{CommonName: "Vertumna at home"}, NotBefore: c.now().Add(-time.Hour), NotAfter: c.now().Add(certLasts),
		KeyUsage: x509.KeyUsageDigitalSignature | x509.KeyUsageCertSign, ExtKeyUsage: []x509.ExtKeyUsage{x509.ExtKeyUsageServerAuth}, BasicConstraintsValid: true, IsCA: true,
	}
	for _, n := range c.names {
		if ip := net.ParseIP(n); ip != nil {
			t.IPAddresses = append(t.IPAddresses, ip)
		} else {
			t.DNSNames = append(t.DNSNames, n)
		}
	}
	der, err := x509.CreateCertificate(rand.Reader, &t, &t, &key.PublicKey, key)
	if err != nil {
		return tls.Certificate{}, err
	}
	secret, err := x509.MarshalPKCS8PrivateKey(key)
	if err != nil {
		return tls.Certificate{}, err
	}
	certPEM := pem.EncodeToMemory(&pem.Block{Type: "CERTIFICATE", Bytes: der})
	keyPEM := pem.EncodeToMemory(&pem.Block{Type: "PRIVATE KEY", Bytes: secret})
	if err := errors.Join(os.WriteFile(c.keyFile, keyPEM, 0o600), os.WriteFile(c.certFile, certPEM, 0o600)); err != nil {
		return tls.Certificate{}, err
	}
	return tls.X509KeyPair(certPEM, keyPEM)
}

// config serves with it.
func (c *certificate) config() *tls.Config {
	return &tls.Config{MinVersion: tls.VersionTLS12, GetCertificate: func(*tls.ClientHelloInfo) (*tls.Certificate, error) { return c.current() }}
}

// print is what a person compares on the phone.
func (c *certificate) print() string {
	c.mu.Lock()
	defer c.mu.Unlock()
	sum := sha256.Sum256(c.held.Leaf.Raw)
	var out []string
	for _, b := range sum {
		out = append(out, strings.ToUpper(hex.EncodeToString([]byte{b})))
	}
	return strings.Join(out, ":")
}

// ownNames are the names and addresses this machine is reached under at home.
func ownNames() []string {
	out := []string{"localhost", "127.0.0.1", "::1"}
	if name, err := os.Hostname(); err == nil && name != "" {
		name = strings.ToLower(name)
		out = append(out, name)
		if !strings.Contains(name, ".") {
			out = append(out, name+".local")
		}
	}
	addresses, err := net.InterfaceAddrs()
	if err != nil {
		return out
	}
	for _, a := range addresses {
		if n, ok := a.(*net.IPNet); ok && !n.IP.IsLoopback() && !n.IP.IsLinkLocalUnicast() {
			out = append(out, n.IP.String())
		}
	}
	return out
}
