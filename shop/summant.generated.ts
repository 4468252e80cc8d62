// Made by `npm run types` from /openapi.json. Not to be edited.
export interface paths {
    "/api/quote": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** The same of a cart in the address; may be kept, and asked for again with If-None-Match */
        get: {
            parameters: {
                query: {
                    asked: string;
                };
                header?: never;
                path?: never;
                cookie?: never;
            };
            requestBody?: never;
            responses: {
                /** @description the quote */
                200: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/json": components["schemas"]["Quote"];
                    };
                };
                /** @description the quote that is known is still the same */
                304: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content?: never;
                };
                /** @description not JSON */
                400: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/problem+json": components["schemas"]["Problem"];
                    };
                };
                /** @description a key is needed, or it is none */
                401: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/problem+json": components["schemas"]["Problem"];
                    };
                };
                /** @description the key may not make this call, or not from there */
                403: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/problem+json": components["schemas"]["Problem"];
                    };
                };
                /** @description nothing has been released yet */
                409: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/problem+json": components["schemas"]["Problem"];
                    };
                };
                /** @description malformed, or products are unknown */
                422: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/problem+json": components["schemas"]["Problem"];
                    };
                };
                /** @description too many calls within a minute; retry-after says when to call again */
                429: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/problem+json": components["schemas"]["Problem"];
                    };
                };
                /** @description the database cannot be reached */
                503: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/problem+json": components["schemas"]["Problem"];
                    };
                };
            };
        };
        put?: never;
        /** What a cart is offered and told under the current release */
        post: {
            parameters: {
                query?: never;
                header?: never;
                path?: never;
                cookie?: never;
            };
            requestBody: {
                content: {
                    "application/json": {
                        lines: {
                            /** @description id or SKU of the catalogue, or of the shop where the line brings its unit price along */
                            product: string;
                            quantity: number;
                            /** @description what the shop knows of these goods; it wins over the catalogue for this line */
                            facts?: {
                                /** @description minor units of the market’s currency, with or without tax as the market shows prices */
                                unitPrice?: number;
                                taxClass?: components["schemas"]["word"];
                                weightGrams?: number | null;
                                /** @description length, width and height */
                                sizeMm?: number[] | null;
                                categories?: components["schemas"]["word"][];
                                tags?: components["schemas"]["word"][];
                                needsDelivery?: boolean;
                                countsTowardGoals?: boolean;
                                shipsFree?: boolean;
                                /** @description delivery of a piece, instead of its part in the charge; minor units */
                                ownDelivery?: number;
                                /** @description working days */
                                preparationDays?: number;
                                /** @description countries (ISO 3166-1) and regions (ISO 3166-2) to which they may not go */
                                notTo?: string[];
                            };
                        }[];
                        /** @description as the shopper entered them */
                        codes?: components["schemas"]["word"][];
                        /** @description on goods, in the order in which they apply */
                        discounts?: components["schemas"]["cartDiscount"][];
                        /** @description where the cart is; `web` when absent */
                        channel?: components["schemas"]["word"];
                        shopper?: components["schemas"]["shopper"];
                        destination: components["schemas"]["destination"];
                        market?: components["schemas"]["id"];
                        quotes?: components["schemas"]["quotes"];
                        redemptions?: components["schemas"]["redemptions"];
                        earlier?: components["schemas"]["earlierChoice"];
                        /** @description the shop’s own key of the shopper, opaque: limits count by it, and only a keyed hash of it is kept */
                        shopperKey?: string;
                        /** @description to keep, for so long, a use of each offer that is limited in all and that the answer promises; needs `shopperKey` */
                        reserve?: {
                            minutes: number;
                        };
                        language?: components["schemas"]["language"];
                        /** @description to be told products, each of which reaches the goal ahead when it is added */
                        closing?: {
                            most: number;
                        };
                        /** @description to have the answer signed, for so long as the shop wants to rely on it */
                        sign?: {
                            minutes: number;
                        };
                        /** @description what the shopper has answered to the questions of an option, by their keys, to be checked */
                        answers?: {
                            option: components["schemas"]["id"];
                            given: {
                                [key: string]: string;
                            };
                        };
                    };
                };
            };
            responses: {
                /** @description the quote */
                200: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/json": components["schemas"]["Quote"];
                    };
                };
                /** @description not JSON */
                400: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/problem+json": components["schemas"]["Problem"];
                    };
                };
                /** @description a key is needed, or it is none */
                401: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/problem+json": components["schemas"]["Problem"];
                    };
                };
                /** @description the key may not make this call, or not from there */
                403: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/problem+json": components["schemas"]["Problem"];
                    };
                };
                /** @description nothing has been released yet */
                409: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/problem+json": components["schemas"]["Problem"];
                    };
                };
                /** @description too large */
                413: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/problem+json": components["schemas"]["Problem"];
                    };
                };
                /** @description not JSON by its content type */
                415: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/problem+json": components["schemas"]["Problem"];
                    };
                };
                /** @description malformed, or products are unknown */
                422: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/problem+json": components["schemas"]["Problem"];
                    };
                };
                /** @description too many calls within a minute; retry-after says when to call again */
                429: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/problem+json": components["schemas"]["Problem"];
                    };
                };
                /** @description the database cannot be reached */
                503: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/problem+json": components["schemas"]["Problem"];
                    };
                };
            };
        };
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/current": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** What quotes rest on at the moment; may be kept, and asked for again with If-None-Match */
        get: {
            parameters: {
                query?: never;
                header?: never;
                path?: never;
                cookie?: never;
            };
            requestBody?: never;
            responses: {
                /** @description the release that the shop uses, and the revision of the catalogue */
                200: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/json": {
                            release: number | null;
                            /** @description becomes another whenever products do */
                            catalogue: number;
                        };
                    };
                };
                /** @description it is still the same */
                304: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content?: never;
                };
                /** @description a key is needed, or it is none */
                401: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/problem+json": components["schemas"]["Problem"];
                    };
                };
                /** @description the key may not make this call, or not from there */
                403: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/problem+json": components["schemas"]["Problem"];
                    };
                };
                /** @description too many calls within a minute; retry-after says when to call again */
                429: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/problem+json": components["schemas"]["Problem"];
                    };
                };
                /** @description the database cannot be reached */
                503: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/problem+json": components["schemas"]["Problem"];
                    };
                };
            };
        };
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/quotes": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** The same for up to 100 carts; one that cannot be quoted leaves the others alone */
        post: {
            parameters: {
                query?: never;
                header?: never;
                path?: never;
                cookie?: never;
            };
            requestBody: {
                content: {
                    "application/json": {
                        carts: {
                            lines: {
                                /** @description id or SKU of the catalogue, or of the shop where the line brings its unit price along */
                                product: string;
                                quantity: number;
                                /** @description what the shop knows of these goods; it wins over the catalogue for this line */
                                facts?: {
                                    /** @description minor units of the market’s currency, with or without tax as the market shows prices */
                                    unitPrice?: number;
                                    taxClass?: components["schemas"]["word"];
                                    weightGrams?: number | null;
                                    /** @description length, width and height */
                                    sizeMm?: number[] | null;
                                    categories?: components["schemas"]["word"][];
                                    tags?: components["schemas"]["word"][];
                                    needsDelivery?: boolean;
                                    countsTowardGoals?: boolean;
                                    shipsFree?: boolean;
                                    /** @description delivery of a piece, instead of its part in the charge; minor units */
                                    ownDelivery?: number;
                                    /** @description working days */
                                    preparationDays?: number;
                                    /** @description countries (ISO 3166-1) and regions (ISO 3166-2) to which they may not go */
                                    notTo?: string[];
                                };
                            }[];
                            /** @description as the shopper entered them */
                            codes?: components["schemas"]["word"][];
                            /** @description on goods, in the order in which they apply */
                            discounts?: components["schemas"]["cartDiscount"][];
                            /** @description where the cart is; `web` when absent */
                            channel?: components["schemas"]["word"];
                            shopper?: components["schemas"]["shopper"];
                            destination: components["schemas"]["destination"];
                            market?: components["schemas"]["id"];
                            quotes?: components["schemas"]["quotes"];
                            redemptions?: components["schemas"]["redemptions"];
                            earlier?: components["schemas"]["earlierChoice"];
                            /** @description the shop’s own key of the shopper, opaque: limits count by it, and only a keyed hash of it is kept */
                            shopperKey?: string;
                            /** @description to keep, for so long, a use of each offer that is limited in all and that the answer promises; needs `shopperKey` */
                            reserve?: {
                                minutes: number;
                            };
                            language?: components["schemas"]["language"];
                            /** @description to be told products, each of which reaches the goal ahead when it is added */
                            closing?: {
                                most: number;
                            };
                            /** @description to have the answer signed, for so long as the shop wants to rely on it */
                            sign?: {
                                minutes: number;
                            };
                            /** @description what the shopper has answered to the questions of an option, by their keys, to be checked */
                            answers?: {
                                option: components["schemas"]["id"];
                                given: {
                                    [key: string]: string;
                                };
                            };
                        }[];
                    };
                };
            };
            responses: {
                /** @description a quote of each, or why there is none, in the order of the carts */
                200: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/json": {
                            quotes: {
                                quote: components["schemas"]["Quote"] | null;
                                problem: components["schemas"]["Problem"] | null;
                            }[];
                        };
                    };
                };
                /** @description not JSON */
                400: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/problem+json": components["schemas"]["Problem"];
                    };
                };
                /** @description a key is needed, or it is none */
                401: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/problem+json": components["schemas"]["Problem"];
                    };
                };
                /** @description the key may not make this call, or not from there */
                403: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/problem+json": components["schemas"]["Problem"];
                    };
                };
                /** @description nothing has been released yet */
                409: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/problem+json": components["schemas"]["Problem"];
                    };
                };
                /** @description too large */
                413: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/problem+json": components["schemas"]["Problem"];
                    };
                };
                /** @description not JSON by its content type */
                415: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/problem+json": components["schemas"]["Problem"];
                    };
                };
                /** @description malformed */
                422: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/problem+json": components["schemas"]["Problem"];
                    };
                };
                /** @description too many calls within a minute; retry-after says when to call again */
                429: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/problem+json": components["schemas"]["Problem"];
                    };
                };
                /** @description the database cannot be reached */
                503: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/problem+json": components["schemas"]["Problem"];
                    };
                };
            };
        };
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/quotes/verify": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** Whether a signed quote is what was answered, and may still be relied on */
        post: {
            parameters: {
                query?: never;
                header?: never;
                path?: never;
                cookie?: never;
            };
            requestBody: {
                content: {
                    "application/json": {
                        /** @description as it was answered */
                        quote: Record<string, never>;
                        /** @description what was asked, to see that it was this cart */
                        request?: Record<string, never>;
                    };
                };
            };
            responses: {
                /** @description whether it holds, else why not */
                200: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/json": components["schemas"]["VerifiedQuote"];
                    };
                };
                /** @description not JSON */
                400: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/problem+json": components["schemas"]["Problem"];
                    };
                };
                /** @description a key is needed, or it is none */
                401: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/problem+json": components["schemas"]["Problem"];
                    };
                };
                /** @description the key may not make this call, or not from there */
                403: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/problem+json": components["schemas"]["Problem"];
                    };
                };
                /** @description too large */
                413: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/problem+json": components["schemas"]["Problem"];
                    };
                };
                /** @description not JSON by its content type */
                415: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/problem+json": components["schemas"]["Problem"];
                    };
                };
                /** @description malformed */
                422: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/problem+json": components["schemas"]["Problem"];
                    };
                };
                /** @description too many calls within a minute; retry-after says when to call again */
                429: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/problem+json": components["schemas"]["Problem"];
                    };
                };
                /** @description the database cannot be reached */
                503: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/problem+json": components["schemas"]["Problem"];
                    };
                };
            };
        };
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/where": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** Which market to show before the shopper has said where the goods go */
        get: {
            parameters: {
                query?: {
                    address?: string;
                    market?: string;
                };
                header?: never;
                path?: never;
                cookie?: never;
            };
            requestBody?: never;
            responses: {
                /** @description the market, and how sure that is */
                200: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/json": components["schemas"]["Where"];
                    };
                };
                /** @description a key is needed, or it is none */
                401: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/problem+json": components["schemas"]["Problem"];
                    };
                };
                /** @description the key may not make this call, or not from there */
                403: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/problem+json": components["schemas"]["Problem"];
                    };
                };
                /** @description nothing has been released yet */
                409: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/problem+json": components["schemas"]["Problem"];
                    };
                };
                /** @description malformed, or no such market */
                422: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/problem+json": components["schemas"]["Problem"];
                    };
                };
                /** @description too many calls within a minute; retry-after says when to call again */
                429: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/problem+json": components["schemas"]["Problem"];
                    };
                };
                /** @description the database cannot be reached */
                503: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/problem+json": components["schemas"]["Problem"];
                    };
                };
            };
        };
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/orders": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** Orders that were reported, the newest first, 200 at a time */
        get: {
            parameters: {
                query?: {
                    from?: string;
                    until?: string;
                    market?: string;
                    verdict?: "agrees" | "more" | "less" | "notOffered" | "offerNotDue" | "notCompared" | "disagrees";
                    offer?: string;
                    state?: "all" | "standing" | "cancelled";
                    after?: string;
                };
                header?: never;
                path?: never;
                cookie?: never;
            };
            requestBody?: never;
            responses: {
                /** @description the orders, and where the list goes on */
                200: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/json": {
                            orders: components["schemas"]["PlacedOrder"][];
                            next: string | null;
                        };
                    };
                };
                /** @description a key is needed, or it is none */
                401: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/problem+json": components["schemas"]["Problem"];
                    };
                };
                /** @description the key may not make this call, or not from there */
                403: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/problem+json": components["schemas"]["Problem"];
                    };
                };
                /** @description malformed */
                422: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/problem+json": components["schemas"]["Problem"];
                    };
                };
                /** @description too many calls within a minute; retry-after says when to call again */
                429: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/problem+json": components["schemas"]["Problem"];
                    };
                };
                /** @description the database cannot be reached */
                503: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/problem+json": components["schemas"]["Problem"];
                    };
                };
            };
        };
        put?: never;
        /** Reports orders placed, up to 1,000; the same number twice is one order */
        post: {
            parameters: {
                query?: never;
                header?: never;
                path?: never;
                cookie?: never;
            };
            requestBody: {
                content: {
                    "application/json": {
                        orders: ({
                            /** @description 1 to 40 characters */
                            number: string;
                            /** @description ISO 8601, UTC */
                            placedAt: components["schemas"]["instant"];
                            /** @description the id of the signed quote that it rests on */
                            quote?: string;
                            /** @description what was ordered, where no signed quote is named */
                            cart?: {
                                lines: {
                                    /** @description id or SKU of the catalogue, or of the shop where the line brings its unit price along */
                                    product: string;
                                    quantity: number;
                                    /** @description what the shop knows of these goods; it wins over the catalogue for this line */
                                    facts?: {
                                        /** @description minor units of the market’s currency, with or without tax as the market shows prices */
                                        unitPrice?: number;
                                        taxClass?: components["schemas"]["word"];
                                        weightGrams?: number | null;
                                        /** @description length, width and height */
                                        sizeMm?: number[] | null;
                                        categories?: components["schemas"]["word"][];
                                        tags?: components["schemas"]["word"][];
                                        needsDelivery?: boolean;
                                        countsTowardGoals?: boolean;
                                        shipsFree?: boolean;
                                        /** @description delivery of a piece, instead of its part in the charge; minor units */
                                        ownDelivery?: number;
                                        /** @description working days */
                                        preparationDays?: number;
                                        /** @description countries (ISO 3166-1) and regions (ISO 3166-2) to which they may not go */
                                        notTo?: string[];
                                    };
                                }[];
                                /** @description as the shopper entered them */
                                codes?: components["schemas"]["word"][];
                                /** @description on goods, in the order in which they apply */
                                discounts?: components["schemas"]["cartDiscount"][];
                                /** @description where the cart is; `web` when absent */
                                channel?: components["schemas"]["word"];
                                shopper?: components["schemas"]["shopper"];
                                destination: components["schemas"]["destination"];
                                market?: components["schemas"]["id"];
                                quotes?: components["schemas"]["quotes"];
                                redemptions?: components["schemas"]["redemptions"];
                                earlier?: components["schemas"]["earlierChoice"];
                            };
                            /** @description what was chosen; null: nothing is delivered */
                            option: components["schemas"]["id"] | null;
                            /** @description charged for it, minor units, with or without tax as the market shows prices */
                            delivery: number;
                            /** @description the offers that were redeemed; without, those that the rules give */
                            offers?: components["schemas"]["id"][];
                            /** @description the shop’s own key of the shopper, opaque: limits count by it, and only a keyed hash of it is kept */
                            shopperKey?: string;
                        } & (unknown | unknown))[];
                    };
                };
            };
            responses: {
                /** @description what became of each, in their order; one that is refused leaves the others alone */
                200: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/json": {
                            orders: {
                                number: string;
                                /** @enum {string} */
                                outcome: "new" | "known" | "cancelled" | "refused";
                                verdict: ("agrees" | "more" | "less" | "notOffered" | "offerNotDue" | "notCompared") | null;
                                because: string | null;
                                offer: string | null;
                                expected: number | null;
                                problem: components["schemas"]["Problem"] | null;
                            }[];
                        };
                    };
                };
                /** @description not JSON */
                400: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/problem+json": components["schemas"]["Problem"];
                    };
                };
                /** @description a key is needed, or it is none */
                401: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/problem+json": components["schemas"]["Problem"];
                    };
                };
                /** @description the key may not make this call, or not from there */
                403: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/problem+json": components["schemas"]["Problem"];
                    };
                };
                /** @description nothing has been released yet */
                409: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/problem+json": components["schemas"]["Problem"];
                    };
                };
                /** @description too large */
                413: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/problem+json": components["schemas"]["Problem"];
                    };
                };
                /** @description not JSON by its content type */
                415: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/problem+json": components["schemas"]["Problem"];
                    };
                };
                /** @description malformed */
                422: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/problem+json": components["schemas"]["Problem"];
                    };
                };
                /** @description too many calls within a minute; retry-after says when to call again */
                429: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/problem+json": components["schemas"]["Problem"];
                    };
                };
                /** @description the database cannot be reached */
                503: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/problem+json": components["schemas"]["Problem"];
                    };
                };
            };
        };
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/orders/cancel": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** Takes orders back, up to 1,000: they leave the past orders, and what they redeemed is free again */
        post: {
            parameters: {
                query?: never;
                header?: never;
                path?: never;
                cookie?: never;
            };
            requestBody: {
                content: {
                    "application/json": {
                        numbers: string[];
                    };
                };
            };
            responses: {
                /** @description what became of each, in their order */
                200: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/json": {
                            orders: {
                                number: string;
                                /** @enum {string} */
                                outcome: "cancelled" | "wasCancelled" | "unknown";
                            }[];
                        };
                    };
                };
                /** @description not JSON */
                400: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/problem+json": components["schemas"]["Problem"];
                    };
                };
                /** @description a key is needed, or it is none */
                401: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/problem+json": components["schemas"]["Problem"];
                    };
                };
                /** @description the key may not make this call, or not from there */
                403: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/problem+json": components["schemas"]["Problem"];
                    };
                };
                /** @description too large */
                413: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/problem+json": components["schemas"]["Problem"];
                    };
                };
                /** @description not JSON by its content type */
                415: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/problem+json": components["schemas"]["Problem"];
                    };
                };
                /** @description malformed */
                422: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/problem+json": components["schemas"]["Problem"];
                    };
                };
                /** @description too many calls within a minute; retry-after says when to call again */
                429: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/problem+json": components["schemas"]["Problem"];
                    };
                };
                /** @description the database cannot be reached */
                503: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/problem+json": components["schemas"]["Problem"];
                    };
                };
            };
        };
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/shoppers/forget": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** Takes away by which orders and quotes can be told to be of one shopper; what was ordered stays */
        post: {
            parameters: {
                query?: never;
                header?: never;
                path?: never;
                cookie?: never;
            };
            requestBody: {
                content: {
                    "application/json": {
                        /** @description the shop’s own key of the shopper, opaque: limits count by it, and only a keyed hash of it is kept */
                        shopperKey: string;
                    };
                };
            };
            responses: {
                /** @description how many orders were of that shopper */
                200: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/json": {
                            orders: number;
                        };
                    };
                };
                /** @description not JSON */
                400: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/problem+json": components["schemas"]["Problem"];
                    };
                };
                /** @description a key is needed, or it is none */
                401: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/problem+json": components["schemas"]["Problem"];
                    };
                };
                /** @description the key may not make this call, or not from there */
                403: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/problem+json": components["schemas"]["Problem"];
                    };
                };
                /** @description too large */
                413: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/problem+json": components["schemas"]["Problem"];
                    };
                };
                /** @description not JSON by its content type */
                415: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/problem+json": components["schemas"]["Problem"];
                    };
                };
                /** @description malformed */
                422: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/problem+json": components["schemas"]["Problem"];
                    };
                };
                /** @description too many calls within a minute; retry-after says when to call again */
                429: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/problem+json": components["schemas"]["Problem"];
                    };
                };
                /** @description the database cannot be reached */
                503: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/problem+json": components["schemas"]["Problem"];
                    };
                };
            };
        };
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/orders/agreement": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** How many orders were charged as the rules say, and how many were not */
        get: {
            parameters: {
                query?: {
                    from?: string;
                    until?: string;
                    market?: string;
                };
                header?: never;
                path?: never;
                cookie?: never;
            };
            requestBody?: never;
            responses: {
                /** @description the counts; cancelled orders are left out */
                200: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/json": {
                            orders: number;
                            compared: number;
                            disagreeing: {
                                more: number;
                                less: number;
                                notOffered: number;
                                offerNotDue: number;
                            };
                            charged: {
                                currency: string;
                                /** @description minor units of the currency */
                                beyond: number;
                                /** @description minor units of the currency */
                                below: number;
                            }[];
                        };
                    };
                };
                /** @description a key is needed, or it is none */
                401: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/problem+json": components["schemas"]["Problem"];
                    };
                };
                /** @description the key may not make this call, or not from there */
                403: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/problem+json": components["schemas"]["Problem"];
                    };
                };
                /** @description malformed */
                422: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/problem+json": components["schemas"]["Problem"];
                    };
                };
                /** @description too many calls within a minute; retry-after says when to call again */
                429: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/problem+json": components["schemas"]["Problem"];
                    };
                };
                /** @description the database cannot be reached */
                503: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/problem+json": components["schemas"]["Problem"];
                    };
                };
            };
        };
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
}
export type webhooks = Record<string, never>;
export interface components {
    schemas: {
        word: string;
        /** @description a discount on goods that the shop has granted, in the market’s currency and as prices are shown */
        cartDiscount: {
            /** @constant */
            kind: "percent";
            percent: components["schemas"]["share"];
            code?: components["schemas"]["code"];
            goods?: components["schemas"]["goodsSelection"];
            /** @description only from this goods value before discounts */
            from?: components["schemas"]["minor"];
            /** @description only below this goods value before discounts */
            below?: components["schemas"]["minor"];
        } | {
            /** @constant */
            kind: "amount";
            amount: components["schemas"]["minor"];
            code?: components["schemas"]["code"];
            goods?: components["schemas"]["goodsSelection"];
            /** @description only from this goods value before discounts */
            from?: components["schemas"]["minor"];
            /** @description only below this goods value before discounts */
            below?: components["schemas"]["minor"];
        };
        /** @description a percentage from 0 to 100 as a decimal string, such as 12.5 */
        share: string;
        /** @description as shoppers enter it, upper case */
        code: string;
        /** @description goods that are one of the products, or in one of the categories, or carry one of the tags (any goods when none is named), and whose price is in the range */
        goodsSelection: {
            products?: components["schemas"]["id"][];
            categories?: components["schemas"]["words"];
            tags?: components["schemas"]["words"];
            /** @description least price of one piece as shown */
            unitPriceFrom?: components["schemas"]["amounts"];
            /** @description a piece costs less than this */
            unitPriceBelow?: components["schemas"]["amounts"];
        };
        id: string;
        /** @description groups, categories, tags and the like */
        words: components["schemas"]["word"][];
        /** @description market id → amount there */
        amounts: {
            [key: string]: components["schemas"]["localAmount"];
        };
        /** @description An amount in the currency of the market it belongs to: exact, or following an amount in the store's base currency. */
        localAmount: components["schemas"]["exactAmount"] | components["schemas"]["followingAmount"];
        exactAmount: {
            /** @description minor units */
            exact: number;
        };
        /** @description base × adopted rate × (1 + buffer), rounded to a step, less an ending */
        followingAmount: {
            following: {
                /** @description minor units of the store's base currency */
                base: number;
                /** @description added before rounding, in percent */
                buffer: components["schemas"]["decimalPercent"];
                /** @enum {unknown} */
                round: "nearest" | "up" | "down";
                /** @description minor units of the local currency */
                step: number;
                /** @description taken off after rounding: 5 of a step of 500 gives 4.95, 9.95, …; minor units */
                less: number;
            };
        };
        /** @description a percentage as a decimal string, such as 21 or 5.5 */
        decimalPercent: string;
        /** @description minor units */
        minor: number;
        shopper: {
            signedIn: boolean;
            /** @description the shop’s key for this person */
            individual?: string;
            groups?: components["schemas"]["words"];
            tags?: components["schemas"]["words"];
            business?: boolean;
            /** @description past orders */
            orderCount?: number;
            lastOrderAt?: components["schemas"]["instant"];
            /** @description minor units of the base currency */
            lifetimeSpend?: components["schemas"]["minor"];
            /** @description where the bill goes */
            billingCountry?: components["schemas"]["country"];
        };
        /** @description ISO 8601, UTC */
        instant: string;
        /** @description ISO 3166-1 alpha-2 code */
        country: string;
        destination: {
            country: components["schemas"]["country"];
            /** @description told by the postcode when absent, where the country's postcodes tell it */
            region?: components["schemas"]["region"];
            postcode: components["schemas"]["postcode"];
            coordinates?: components["schemas"]["coordinates"];
            residential?: boolean;
        };
        /** @description ISO 3166-2 code */
        region: string;
        postcode: string;
        /** @description WGS 84, degrees */
        coordinates: {
            latitude: number;
            longitude: number;
        };
        /** @description carrier → what it quotes, in minor units of the market’s currency; null when it does not answer */
        quotes: {
            [key: string]: components["schemas"]["minor"] | null;
        };
        /** @description offer → how often it has been used */
        redemptions: {
            [key: string]: {
                inAll: number;
                byShopper?: number;
            };
        };
        /** @description an option the shopper chose before, and its price then */
        earlierChoice: {
            option: components["schemas"]["id"];
            price: components["schemas"]["minor"];
        };
        /** @description BCP 47 tag */
        language: string;
        /** @description JSON Schema https://summant.example.com/schema/policy/4 */
        Policy: Record<string, never>;
        Draft: {
            revision: number;
            policy: components["schemas"]["Policy"];
            canUndo: string | null;
            canRedo: string | null;
        };
        DraftChanges: {
            revision: number;
            canUndo: string | null;
            canRedo: string | null;
            since: {
                revision: number;
                patch: Record<string, never>[];
            };
        };
        Product: {
            id: string;
            sku: string;
            name: string;
        };
        Problem: {
            type: string;
            title: string;
            status: number;
            detail: string;
            fields?: {
                pointer: string;
                message: string;
            }[];
            draft?: components["schemas"]["Draft"] | components["schemas"]["DraftChanges"];
            product?: components["schemas"]["Product"];
        };
        AuditEntry: {
            id: number;
            /** Format: date-time */
            at: string;
            /** @enum {string} */
            kind: "signing-in" | "own-account" | "people" | "keys" | "connections" | "draft" | "release" | "data" | "export" | "refused";
            person: string | null;
            /** @description where it was asked from; empty: not known */
            address: string;
            what: string;
        };
        Audit: {
            entries: components["schemas"]["AuditEntry"][];
            /** @description whether there are older ones */
            more: boolean;
        };
        OwnAccount: {
            name: string;
            signIn: string;
            /** @enum {string} */
            role: "look" | "edit" | "release" | "own";
            /** @description ids of markets that edits and releases are limited to; null: none */
            markets: string[] | null;
            hasPassword: boolean;
            /** @description the sign-in provider, and by whom of it one signs in; null: there is none */
            provider: {
                name: string;
                connected: {
                    knownAs: string;
                    /** Format: date-time */
                    madeAt: string;
                    usedAt: string | null;
                } | null;
            } | null;
            codesLeft: number;
            passkeys: {
                id: string;
                name: string;
                /** Format: date-time */
                madeAt: string;
                usedAt: string | null;
            }[];
            sessions: {
                id: string;
                /** Format: date-time */
                madeAt: string;
                /** Format: date-time */
                usedAt: string;
                browser: string;
                address: string;
                /** @description whether it is that of who asks */
                here: boolean;
            }[];
        };
        People: {
            people: {
                id: string;
                name: string;
                signIn: string;
                /** @enum {string} */
                role: "look" | "edit" | "release" | "own";
                /** @description ids of markets that edits and releases are limited to; null: none */
                markets: string[] | null;
                madeBy: string;
                /** Format: date-time */
                madeAt: string;
                /** @description about when somebody was last here under this account */
                usedAt: string | null;
                self: boolean;
            }[];
            invitations: {
                id: string;
                name: string;
                /** @enum {string} */
                role: "look" | "edit" | "release" | "own";
                /** @description ids of markets that edits and releases are limited to; null: none */
                markets: string[] | null;
                madeBy: string;
                /** Format: date-time */
                endsAt: string;
            }[];
        };
        Import: {
            id: number;
            /** @enum {string} */
            kind: "orders" | "products";
            fileName: string;
            fileBytes: number;
            /** @enum {string} */
            state: "reading" | "checked" | "applying" | "reverting" | "done" | "cancelled" | "failed";
            bytesRead: number;
            rowsRead: number;
            /** @description orders or products that stand ready */
            staged: number;
            fresh: number;
            changed: number;
            same: number;
            /** @description rows */
            rejected: number;
            /** @description amounts with more decimals than their currency */
            rounded: number;
            applied: number;
            problem: string;
            madeAt: string;
            /** @description the first of the rejected rows; lists leave them out */
            rejections?: {
                line: number;
                column: string;
                reason: string;
            }[];
        };
        AccessKey: {
            id: string;
            name: string;
            /** @enum {string} */
            kind: "publishable" | "secret";
            origins: string[];
            madeBy: string;
            /** Format: date-time */
            madeAt: string;
            endsAt: string | null;
            /** @description whether it is taken at the moment */
            live: boolean;
            followedBy: string | null;
            usedAt: string | null;
        };
        PlacedOrder: {
            number: string;
            /** Format: date-time */
            placedAt: string;
            /** Format: date-time */
            reportedAt: string;
            cancelledAt: string | null;
            market: string;
            currency: string;
            option: string | null;
            /** @description minor units of the currency */
            delivery: number;
            /**
             * @description how what was charged for delivery stands toward what the rules charge
             * @enum {string}
             */
            verdict: "agrees" | "more" | "less" | "notOffered" | "offerNotDue" | "notCompared";
            because: string | null;
            offer: string | null;
            expected: number | null;
            release: number | null;
            /** @description the arm that it was compared with, as ids of experiment and arm with a slash between; empty: none */
            arm: string;
            /** @description the offers that it has redeemed */
            offers: string[];
            asked: Record<string, never> | null;
        };
        VerifiedQuote: {
            holds: boolean;
            because: ("notSigned" | "unknownKey" | "altered" | "otherCart" | "expired") | null;
        };
        Quote: {
            release: number;
            market: string | null;
            zone: string | null;
            currency: string | null;
            pricesIncludeTax: boolean | null;
            /** @description as priced; those of one product are one */
            lines: {
                product: string;
                sku: string;
                quantity: number;
                /** @description minor units of the currency */
                unitPrice: number;
                /** @description minor units of the currency */
                value: number;
                /** @description minor units of the currency */
                afterDiscounts: number;
                /** @description minor units of the currency */
                afterRewards: number;
                taxRate: string;
                /** @description minor units of the currency */
                tax: number;
            }[];
            goodsValue: number | null;
            options: {
                id: string;
                /** @enum {string} */
                kind: "parcel" | "pickUp" | "localDelivery";
                label: string;
                description: string | null;
                place: {
                    id: string;
                    name: string;
                    address: {
                        street: string;
                        postcode: string;
                        town: string;
                        country: string;
                    };
                    coordinates: {
                        latitude: number;
                        longitude: number;
                    } | null;
                    hours: Record<string, never> | null;
                    instructions: string | null;
                } | null;
                /** @description minor units of the currency */
                priceBefore: number;
                /** @description minor units of the currency */
                priceAfter: number;
                /** @description minor units of the currency */
                tax: number;
                estimate: {
                    /** @enum {string} */
                    unit: "workingDays" | "hours";
                    min: number;
                    max: number;
                    leaves: string;
                    earliest: string;
                    latest: string;
                };
                waitsFor: {
                    product: string;
                    days: number;
                } | null;
                /** @description asked of whoever takes it */
                questions: {
                    key: string;
                    /** @enum {string} */
                    kind: "telephone" | "text" | "choice";
                    label: string;
                    required: boolean;
                    longest: number;
                    choices: {
                        key: string;
                        label: string;
                    }[] | null;
                }[];
                picture: {
                    address: string;
                    alt: string;
                } | null;
                totals: {
                    /** @description minor units of the currency */
                    goods: number;
                    /** @description minor units of the currency */
                    goodsReward: number;
                    /** @description minor units of the currency */
                    delivery: number;
                    /** @description minor units of the currency */
                    tax: number;
                    /** @description minor units of the currency */
                    toPay: number;
                    /** @description by rate, a decimal percentage */
                    taxes: {
                        rate: string;
                        /** @description minor units of the currency */
                        tax: number;
                    }[];
                };
                setBy: {
                    offer: string;
                    goal: string;
                }[];
            }[];
            unavailable: {
                id: string;
                /** @enum {string} */
                reason: "otherChannel" | "notNow" | "conditionNotMet" | "noLineApplies" | "carrierSilent";
                label: string;
                /** @description whether shoppers are to see that it exists */
                shown: boolean;
                text: string | null;
            }[];
            noOptions: ("noMarket" | "noZone" | "goodsBarred" | "nothingToDeliver" | "zoneWithoutOptions" | "noneApplies") | null;
            outOfArea: string | null;
            preselected: string | null;
            earlier: {
                optionId: string;
                /** @enum {string} */
                still: "same" | "cheaper" | "dearer" | "gone";
                /** @description minor units of the currency */
                was: number;
                /** @description minor units of the currency */
                now?: number;
                because?: string;
            } | null;
            totals: {
                /** @description minor units of the currency */
                goods: number;
                /** @description minor units of the currency */
                goodsReward: number;
                /** @description minor units of the currency */
                delivery: number;
                /** @description minor units of the currency */
                tax: number;
                /** @description minor units of the currency */
                toPay: number;
                /** @description by rate, a decimal percentage */
                taxes: {
                    rate: string;
                    /** @description minor units of the currency */
                    tax: number;
                }[];
            } | null;
            goals: {
                offer: string;
                /** @enum {string} */
                status: "inForce" | "notYet" | "over" | "notForShopper" | "usedUp" | "needsCode";
                goal: string;
                /** @enum {string} */
                measure: "value" | "items" | "weight";
                target: number | null;
                counted: number;
                remaining: number | null;
                remainingAtBest: number | null;
                percent: number;
                /** @description only while the offer is in force */
                reached: boolean;
                byCode: boolean;
            }[];
            gifts: {
                offer: string;
                goal: string;
                product: string;
                quantity: number;
            }[];
            carriersSilent: string[];
            /** @description carriers that gave no quote now; what they said last stands in */
            carriersLastKnown: string[];
            answerFaults: {
                question: string;
                /** @enum {string} */
                fault: "missing" | "tooLong" | "notATelephone" | "notOffered" | "notAsked";
                message: string;
            }[] | null;
            /** @description the arm of an experiment that this shopper is in; empty where no experiment goes on, where the shopper takes no part, and without shopperKey */
            arms: {
                experiment: string;
                offer: string;
                arm: string;
            }[];
            closing: {
                product: string;
                sku: string;
                name: string;
                quantity: number;
                /** @description minor units of the currency */
                cost: number;
            }[] | null;
            reserved: {
                offers: string[];
                /** Format: date-time */
                until: string;
            } | null;
            signed: {
                id: string;
                /** Format: date-time */
                at: string;
                /** Format: date-time */
                expires: string;
                cart: string;
                key: string;
                signature: string;
            } | null;
            /** @description which offers took something off the goods */
            goodsRewards: {
                offer: string;
                goal: string;
            }[];
            messages: {
                place: string;
                text: string;
                language: string;
                /** @enum {string} */
                state: "invite" | "progress" | "nearly" | "reached" | "onward" | "missedOut" | "notice";
                offer: string | null;
                goal: string | null;
                notice: string | null;
                percent: number | null;
                deadline: string | null;
            }[];
            lead: {
                offer: string | null;
                goal: string | null;
                notice: string | null;
                /** @enum {string} */
                state: "invite" | "progress" | "nearly" | "reached" | "onward" | "missedOut" | "notice";
            } | null;
            percent: number | null;
            deadline: string | null;
            look: {
                /** @enum {string} */
                style: "filled" | "ruled" | "label";
                colours: {
                    ground: string;
                    ink: string;
                    bar: string;
                };
                /** @enum {string} */
                position: "top" | "bottom";
                closable: boolean;
                countdownWithin?: number;
                silentIn?: Record<string, never>;
            };
        };
        News: {
            draft: number;
            release: number | null;
            people: {
                page: string;
                account: string;
                name: string;
                place: string;
                thing: string;
            }[];
            comments: {
                /** @enum {string} */
                kind: "offer" | "option" | "finding";
                about: string;
                open: number;
            }[];
        };
        Where: {
            address: string | null;
            country: string | null;
            region: string | null;
            market: string | null;
            /**
             * @description the shopper has chosen it; the address is in its country; nothing is known, and it is the store’s first
             * @enum {string}
             */
            sure: "chosen" | "found" | "assumed";
        };
        ReleaseSummary: {
            number: number;
            note: string;
            reason: string | null;
            copyOf: number | null;
            releasedBy: string;
            agreedBy: string | null;
            /** Format: date-time */
            releasedAt: string;
        };
        Release: {
            number: number;
            note: string;
            reason: string | null;
            copyOf: number | null;
            releasedBy: string;
            agreedBy: string | null;
            /** Format: date-time */
            releasedAt: string;
            policy: components["schemas"]["Policy"];
        };
        AskedRelease: {
            revision: number;
            note: string;
            reason: string | null;
            askedBy: string;
            /** Format: date-time */
            askedAt: string;
            own: boolean;
        };
    };
    responses: never;
    parameters: never;
    requestBodies: never;
    headers: never;
    pathItems: never;
}
export type $defs = Record<string, never>;
export type operations = Record<string, never>;
