/** Plain letters, compared to the letter. @param length of all of them */
export const ascii = (length: number): string => `CHAR(${length}) CHARACTER SET ascii COLLATE ascii_bin`
/** An id, as text. */
export const id = ascii(36)
/** A SHA-256, hexadecimal. */
export const hash = ascii(64)
/** After a text: what differs by case, by an accent or by a space at its end is another one. */
export const toTheLetter = 'CHARACTER SET utf8mb4 COLLATE utf8mb4_nopad_bin'
