package words

import (
	"fmt"

	"vertumna/core/pomology"
)

// fromOutside says what a host outside the plot brings, and what to look for.
func fromOutside(host, sickness string) string {
	name, s := "", pomology.Sickness{}
	for _, h := range pomology.Hosts() {
		if h.Slug == host {
			name = h.Name
		}
	}
	for _, x := range pomology.Sicknesses() {
		if x.Slug == sickness {
			s = x
		}
	}
	return fmt.Sprintf("%s stand near and bring %s: look for %s.", upper(name), s.Name, s.Look)
}

// Resists says what a tree resists, as its owner knows it; empty: nothing is known.
func Resists(slugs []string) string {
	var names []string
	for _, s := range pomology.Sicknesses() {
		for _, slug := range slugs {
			if slug == s.Slug {
				names = append(names, s.Name)
			}
		}
	}
	if len(names) == 0 {
		return ""
	}
	return "It resists " + list(names) + ", as you know it."
}
