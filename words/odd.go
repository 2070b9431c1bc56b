package words

import (
	"fmt"

	"vertumna/core/limb"
)

// Odd says what is odd on a map, and what to look at.
func (s Speaker) Odd(o limb.Odd) string {
	if o.Code == limb.ChildThicker {
		return fmt.Sprintf("%s is %s thick where it starts, more than the %s of %s there: measure both.", o.Limb, s.Amount(o.MM, "mm"), s.Amount(o.CarrierMM, "mm"), o.Carrier)
	}
	return fmt.Sprintf("%s is %s thick, and its side limbs together are more than that can feed: measure it, and the thickest of them.", o.Limb, s.Amount(o.MM, "mm"))
}
