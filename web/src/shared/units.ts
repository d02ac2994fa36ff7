const figure = /^\d(?:[\d.,:]*\d)?$/
const unit = /^(?:[µnmckhM]?(?:m|g|L|Pa|N|J|W|V|A|Hz)(?:[²³]|\/[sh])?|°C)[.,;:?!]?$/

/** What stands between two words: a line may not break between a number and its unit. */
export const between = (word: string, next: string | undefined) =>
  next !== undefined && figure.test(word) && unit.test(next) ? '\u00a0' : ' '
