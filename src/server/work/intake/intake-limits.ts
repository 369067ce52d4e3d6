/** Largest picture that is taken in, in bytes. */
export const MAX_INTAKE_BYTES = 60 * 1024 ** 2;
/** Largest ZIP, in bytes; its pictures each up to the limit above. */
export const MAX_ZIP_BYTES = 2 * 1024 ** 3;
/** Bytes that are sent in one request: what a cut line loses at the most. */
export const CHUNK_BYTES = 4 * 1024 ** 2;
