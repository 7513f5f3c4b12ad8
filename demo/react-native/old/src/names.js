export const COUNTER = 'Counter';
export const RETURNS = 'Returns';
export const TICKET = 'Ticket';
export const STOCKTAKE = 'Stocktake';
