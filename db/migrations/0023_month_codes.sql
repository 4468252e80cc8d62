-- The code that was entered is packed beside where an order went. Months are packed anew for it.
UPDATE order_month SET packed_version = NULL;
