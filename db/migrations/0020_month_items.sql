-- How many pieces an order held is packed beside its value. Months are packed anew for it.
UPDATE order_month SET packed_version = NULL;
