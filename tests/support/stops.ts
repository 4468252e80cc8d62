/** Addresses of the trail's stops. */
export const stops = ['/orders', '/markets', '/delivery', '/offers', '/wording', '/rehearse', '/release', '/results'];
