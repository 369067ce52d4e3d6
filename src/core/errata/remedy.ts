/** What settles an erratum in one act, without a person choosing anything. */

/** Rules whose errata are settled by the picture itself, fitted to its place; and what that act is called. */
export const REFITTED = {
  'file/too-heavy': 'Make it lighter',
  'file/stretched': 'Crop it to its place',
  'file/too-small': 'Put its large file in',
} as const;

export const isRefitted = (rule: string): rule is keyof typeof REFITTED => rule in REFITTED;
