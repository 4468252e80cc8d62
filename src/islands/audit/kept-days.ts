/** As the contract has them; its code does not go to browsers. days */
export const [leastDays, mostDays] = [30, 3650];
