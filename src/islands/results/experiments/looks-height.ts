/** px, of the chart of looks, which is fetched once it is seen */
export const looksHeight = 170;
