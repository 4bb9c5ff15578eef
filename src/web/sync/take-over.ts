/** What a page says to a new version that waits: the page and its parts of now may go. */
export const takeOverWord = 'take over'
