/** Made from the server's description; never edited. */
export const apiVersion = 4;
