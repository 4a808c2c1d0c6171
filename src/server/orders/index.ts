export { readKeptOrder, saveOrder, type KeptOrder } from './orderPlan';
export { orderSchema } from './orderSchema';
export { listPlacedOrders, type KeptPlacedOrder, type OrderTurn } from './placedOrders';
export { placeOrder, turnOrder } from './placing';
export { orderFacts, orderState, wantedOf, type OrderFacts, type OrderState } from './wantedOrder';
export { orderPdf } from './orderPdf';
export { clothCalls } from './calls';
export { countPapersIn } from './stock';
