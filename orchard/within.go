package orchard

import (
	"fmt"
	"time"

	"vertumna/core/together"
)

// treeMost is how long one tree's work may take before the others go on without it.
const treeMost = 30 * time.Second

// TooLong is work on one tree that is not waited for any longer. It goes on: what it comes to is kept for those who ask later.
type TooLong struct{ Most time.Duration }

func (e TooLong) Error() string {
	return fmt.Sprintf("it takes longer than %v to work out", e.Most)
}

// within runs work and waits for it so long at most; 0: as long as it takes. A panic of it is its error.
func within[T any](most time.Duration, work func() (T, error)) (T, error) {
	type made struct {
		out T
		err error
	}
	do := func() (m made) {
		m.err = together.Safely(func() (err error) {
			m.out, err = work()
			return err
		})
		return m
	}
	if most == 0 {
		m := do()
		return m.out, m.err
	}
	done := make(chan made, 1)
	go func() { done <- do() }()
	late := time.NewTimer(most)
	defer late.Stop()
	select {
	case m := <-done:
		return m.out, m.err
	case <-late.C:
		var none T
		return none, TooLong{most}
	}
}
