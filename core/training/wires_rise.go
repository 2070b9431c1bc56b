package training

import (
	"fmt"

	"vertumna/core/given"
)

// wireApartCM: two wires closer than a hand leave no room for the shoots between them.
const wireApartCM = 10

// WiresRise refuses heights of wires, cm, that do not rise, or stand closer than a hand. Errors: given.Fault of wires_cm.
func WiresRise(cm []float64) error {
	for i := 1; i < len(cm); i++ {
		if cm[i] < cm[i-1]+wireApartCM {
			return given.Fault{Code: "wires_close", Field: "wires_cm", Given: fmt.Sprintf("%g after %g", cm[i], cm[i-1]), Expected: fmt.Sprintf("at least %g cm, a hand above the wire below", cm[i-1]+wireApartCM)}
		}
	}
	return nil
}
