/** Where a picture of a sheet is. */
export const pictureOf = (sheet: number, picture: string) => `/api/sheets/${sheet}/pictures/${picture}`
