package crop_test

import (
	"fmt"

	"vertumna/core/crop"
)

// What a household wants of a kind comes to so many fruit.
func ExampleHouseholdNeed() {
	need, err := crop.HouseholdNeed(crop.HouseholdInput{Species: "apple", Size: crop.Medium, FreshKG: 40, Jars: 12, JarLitre: 1, UsableShare: 0.85})
	if err != nil {
		fmt.Println(err)
		return
	}
	fmt.Printf("%.0f kg, %d fruit of %.0f g\n", need.KG, need.Fruit, need.MassG)
	_, err = crop.HouseholdNeed(crop.HouseholdInput{Species: "apple", Size: crop.Medium, FreshKG: -1, JarLitre: 1, UsableShare: 0.85})
	fmt.Println(err)
	// Output:
	// 68 kg, 376 fruit of 180 g
	// fresh_kg: -1 given, 0 to 5000 expected
}
