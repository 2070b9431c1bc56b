package words

import "fmt"

var tables = map[string]string{
	"entries": "An entry of the journal", "trees": "A tree", "people": "A person of the household", "own_tasks": "A task of your own",
	"weather_days": "A day of the weather", "forecasts": "The forecast", "chosen_days": "The day you set for a job", "training_words": "Your word on a shoot or a bud",
}

// SetAside says that a row of the database is left out, for it cannot be read.
func SetAside(table, id string) string {
	what, ok := tables[table]
	if !ok {
		what = "A row of " + table
	}
	return fmt.Sprintf("%s (%s) cannot be read and is left out of all that is told here. It is kept as it is; the log says what is wrong with it.", what, id)
}

// Unworked tells of a tree whose map, slip or fruit could not be worked out.
func Unworked(code string) string {
	return code + ": its map could not be worked out, or not in time, so its tasks have no amounts of their own. The others stand; the log says what went wrong."
}
