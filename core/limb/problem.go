package limb

import "vertumna/core/given"

// faults are all that is wrong with a map: any of them refuses it. A fault of one limb names the limb before the field
// ("S1.length_cm"), one of the whole map only the field.
type faults given.Faults

func (fs *faults) add(code, limb, field, was, expected string) {
	*fs = append(*fs, faultOf(code, limb, field, was, expected))
}

func faultOf(code, limb, field, was, expected string) given.Fault {
	if limb != "" {
		field = limb + "." + field
	}
	return given.Fault{Code: code, Field: field, Given: was, Expected: expected}
}

// one is a single fault as an error.
func one(code, limb, field, was, expected string) error {
	return given.Faults{faultOf(code, limb, field, was, expected)}
}

func (fs faults) orNil() error { return given.Faults(fs).Err() }
