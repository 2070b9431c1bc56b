// Package together runs work side by side. A panic of any of it is the caller's, who may catch it: left in a goroutine of its own it
// would end the program.
package together

import (
	"fmt"
	"runtime"
	"sync"
)

// Broken is a panic that ended work, with where it happened.
type Broken struct {
	Cause any
	Stack string
}

func (b *Broken) Error() string { return fmt.Sprintf("%v\n%s", b.Cause, b.Stack) }

// Do runs n pieces of work, each in a goroutine of its own, and waits for all. If any panicked, it panics with a *Broken.
func Do(n int, work func(k int)) {
	var wait sync.WaitGroup
	broken := make([]*Broken, n)
	for k := range n {
		wait.Go(func() { broken[k] = caught(func() { work(k) }) })
	}
	wait.Wait()
	for _, b := range broken {
		if b != nil {
			panic(b)
		}
	}
}

// Ahead starts work and gives a function that waits for it; the wait panics with a *Broken where the work did.
func Ahead(work func()) (wait func()) {
	done := make(chan *Broken, 1)
	go func() { done <- caught(work) }()
	return func() {
		if b := <-done; b != nil {
			panic(b)
		}
	}
}

// Safely runs work and gives a panic of it as an error, a *Broken.
func Safely(work func() error) (err error) {
	if b := caught(func() { err = work() }); b != nil {
		return b
	}
	return err
}

func caught(work func()) (b *Broken) {
	defer func() {
		switch r := recover().(type) {
		case nil:
		case *Broken: // caught further in
			b = r
		default:
			stack := make([]byte, mostStack)
			b = &Broken{r, string(stack[:runtime.Stack(stack, false)])}
		}
	}()
	work()
	return nil
}

const mostStack = 16 << 10

// Hands is how many pieces of work run at once on this machine. No result may depend on it.
func Hands() int { return runtime.GOMAXPROCS(0) }
