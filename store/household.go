package store

import (
	"context"
	"crypto/rand"
	"crypto/subtle"
	"database/sql"
	"encoding/base64"
	"errors"
	"fmt"
	"strings"

	"github.com/alexedwards/scs/sqlite3store"
	"github.com/alexedwards/scs/v2"
	"golang.org/x/crypto/argon2"

	"vertumna/core/given"
)

// Role is what someone of the household may do.
type Role string

// Roles: an owner does everything; a helper sees everything and logs, and changes no tree, map, school or setting.
const (
	Owner  Role = "owner"
	Helper Role = "helper"
)

// Known says whether there is such a role.
func (r Role) Known() bool { return r == Owner || r == Helper }

// How a passphrase is made into its proof: argon2id with 19 MiB, two passes, one lane.
const (
	proofTime    = 2
	proofKiB     = 19 << 10
	proofLanes   = 1
	proofBytes   = 32
	saltBytes    = 16
	proofVersion = "argon2id-1"
)

// The shortest and longest passphrase, in letters.
const (
	MinPassphrase = 10
	MaxPassphrase = 200
)

// CheckPassphrase refuses one that is too short, too long, or blank.
func CheckPassphrase(p string) error {
	n := len([]rune(p))
	if n < MinPassphrase || n > MaxPassphrase || strings.TrimSpace(p) == "" {
		return given.Fault{Code: "bad_passphrase", Field: "passphrase", Given: fmt.Sprintf("%d letters", n), Expected: fmt.Sprintf("%d to %d letters: a few words nobody would guess", MinPassphrase, MaxPassphrase)}
	}
	return nil
}

// SetPassphrase sets that of a role, and signs everybody out. Errors: given.Fault.
func (s *Store) SetPassphrase(ctx context.Context, r Role, passphrase string) error {
	if !r.Known() {
		return given.Fault{Code: "unknown_role", Field: "role", Given: string(r), Expected: "owner or helper"}
	}
	if err := CheckPassphrase(passphrase); err != nil {
		return err
	}
	salt := make([]byte, saltBytes)
	if _, err := rand.Read(salt); err != nil {
		return err
	}
	hash := proofVersion + "$" + encode(salt) + "$" + encode(prove(passphrase, salt))
	return s.tx(ctx, func(tx *sql.Tx) error {
		_, err := tx.ExecContext(ctx, "INSERT INTO passphrases (role, hash, set_at) VALUES (?, ?, ?) ON CONFLICT (role) DO UPDATE SET hash = excluded.hash, set_at = excluded.set_at", string(r), hash, s.stamp())
		if err == nil {
			_, err = tx.ExecContext(ctx, "DELETE FROM sessions")
		}
		return err
	})
}

func prove(passphrase string, salt []byte) []byte {
	return argon2.IDKey([]byte(passphrase), salt, proofTime, proofKiB, proofLanes, proofBytes)
}

func encode(b []byte) string { return base64.RawStdEncoding.EncodeToString(b) }

// Guarded are the roles that have a passphrase; none: whoever reaches the program is its owner.
func (s *Store) Guarded(ctx context.Context) (map[Role]bool, error) {
	rs, err := s.db.QueryContext(ctx, "SELECT role FROM passphrases")
	if err != nil {
		return nil, err
	}
	defer rs.Close()
	out := map[Role]bool{}
	for rs.Next() {
		var r string
		if err := rs.Scan(&r); err != nil {
			return nil, err
		}
		out[Role(r)] = true
	}
	return out, rs.Err()
}

// RoleOf is whose passphrase this is; empty for nobody's. It costs 19 MiB and some tens of milliseconds for each role.
func (s *Store) RoleOf(ctx context.Context, passphrase string) (Role, error) {
	for _, r := range []Role{Owner, Helper} {
		var hash string
		err := s.db.QueryRowContext(ctx, "SELECT hash FROM passphrases WHERE role = ?", string(r)).Scan(&hash)
		if errors.Is(err, sql.ErrNoRows) {
			continue
		}
		if err != nil {
			return "", err
		}
		part := strings.Split(hash, "$")
		if len(part) != 3 || part[0] != proofVersion {
			return "", fmt.Errorf("passphrase of the %s: its proof cannot be read", r)
		}
		salt, errS := base64.RawStdEncoding.DecodeString(part[1])
		proof, errP := base64.RawStdEncoding.DecodeString(part[2])
		if err := errors.Join(errS, errP); err != nil {
			return "", err
		}
		if subtle.ConstantTimeCompare(prove(passphrase, salt), proof) == 1 {
			return r, nil
		}
	}
	return "", nil
}

// Sessions are kept in the file, so that a restart signs nobody out.
func (s *Store) Sessions() scs.Store { return sqlite3store.NewWithCleanupInterval(s.file, 0) }

// ForgetSessions lets go of those that are over.
func (s *Store) ForgetSessions(ctx context.Context) error {
	return s.tx(ctx, func(tx *sql.Tx) error {
		_, err := tx.ExecContext(ctx, "DELETE FROM sessions WHERE expiry < julianday('now')")
		return err
	})
}

// SignOutAll ends every session.
func (s *Store) SignOutAll(ctx context.Context) error {
	return s.tx(ctx, func(tx *sql.Tx) error {
		_, err := tx.ExecContext(ctx, "DELETE FROM sessions")
		return err
	})
}
