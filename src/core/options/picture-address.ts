/** Where a picture is served, from the root of the application. @param image the SHA-256 of its bytes */
export const pictureAddress = (image: string): string => `/pictures/${image}`;
