/** This page; two of one browser are two. */
export const DEVICE = crypto.randomUUID();
