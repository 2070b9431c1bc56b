// Package cputime reports the processor time of benchmarks: a machine that is shared gives it more steadily than the clock.
package cputime

import (
	"syscall"
	"testing"
)

// Report gives a function that adds the processor time since, in ms an operation, to a benchmark's numbers. Work on several
// processors adds up.
func Report(b *testing.B) func() {
	b.Helper()
	from := Used()
	return func() { b.ReportMetric((Used()-from)/float64(b.N), "cpu-ms/op") }
}

// Used is the processor time of the program so far, ms.
func Used() float64 {
	var u syscall.Rusage
	if err := syscall.Getrusage(syscall.RUSAGE_SELF, &u); err != nil {
		return 0
	}
	return float64(u.Utime.Nano()+u.Stime.Nano()) / 1e6
}
