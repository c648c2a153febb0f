import DECLARED from "./formats.json";

/** The formats of a kind of file, as the server declares them. */
export type Format = { name: string; label: string; read: boolean };

/** Formats that tables are written in; the name is the ending of the file. */
export const TABLES: Format[] = DECLARED.tables;

/** Formats that redirect maps are written in, and some read from. */
export const MAPS: Format[] = DECLARED.maps;
