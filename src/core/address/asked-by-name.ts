/** Files at the root of a site that browsers and telephones ask for by name, whatever pages say. */
export const ASKED_BY_NAME = /^(?:favicon\.ico|apple-touch-icon[^/]*\.png)$/;
