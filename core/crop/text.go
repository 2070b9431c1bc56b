package crop

import "strconv"

func itoa(n int) string     { return strconv.Itoa(n) }
func ftoa(x float64) string { return strconv.FormatFloat(x, 'g', -1, 64) }
