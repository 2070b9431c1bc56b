/** Made from api/openapi.json by make types; not edited by hand. Seal 9712235742b89616be6c4c2451c52b6553573ed13809449eef08c5bcf7942be3 */

export interface paths {
    "/api/access": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** Who one is to the program */
        get: operations["get-access"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/access/passphrases/{role}": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        /** Set a passphrase, on the machine the program runs on; everybody signs in anew */
        put: operations["set-passphrase"];
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/access/sign-in": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** Sign in with the passphrase of the household */
        post: operations["sign-in"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/access/sign-out": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** Sign out on this device */
        post: operations["sign-out"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/access/sign-out-everywhere": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** Sign everybody out */
        post: operations["sign-out-everywhere"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/archive": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** Add the orchards of an archive */
        post: operations["import-archive"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/climates": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** Shipped climates, nearest first */
        get: operations["list-climates"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/demo": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** Open the two made-up orchards, in a file of their own */
        post: operations["open-demo"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/help/{token}": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** The page of a helper: one tree, one slip */
        get: operations["get-help-page"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/help/{token}/answers": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** What a helper did at a step */
        post: operations["answer-help"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/meta": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** What the screens know before any orchard */
        get: operations["get-meta"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/orchards": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** All orchards */
        get: operations["list-orchards"];
        put?: never;
        /** A new orchard */
        post: operations["add-orchard"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/orchards/{slug}": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** One orchard */
        get: operations["get-orchard"];
        /** Change an orchard */
        put: operations["save-orchard"];
        post?: never;
        /** Remove an orchard with all in it */
        delete: operations["remove-orchard"];
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/orchards/{slug}/advice": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** The three forms that suit best */
        get: operations["advise-form"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/orchards/{slug}/archive": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** The orchard as an archive */
        get: operations["export-orchard"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/orchards/{slug}/calendar": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** Whether there is a subscription address */
        get: operations["get-calendar"];
        put?: never;
        /** A new subscription address; the one before is closed */
        post: operations["new-calendar"];
        /** Close the subscription address */
        delete: operations["withdraw-calendar"];
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/orchards/{slug}/crop": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** The crop over the years, and what is coming against what is wanted */
        get: operations["get-crop"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/orchards/{slug}/days": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** Every job that is to come with its day, and what does not fit */
        get: operations["get-days"];
        /** Set a job on a day, or give the choice back */
        put: operations["set-day"];
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/orchards/{slug}/days/costs": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** The days a job could be done on, with what each costs */
        get: operations["get-day-costs"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/orchards/{slug}/devices": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** Every device that is on, by the days it has left */
        get: operations["list-devices"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/orchards/{slug}/docket": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** What to do about a day shown */
        get: operations["get-docket"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/orchards/{slug}/entries": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** The journal by date */
        get: operations["list-entries"];
        put?: never;
        /** Log what was done or seen */
        post: operations["add-entry"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/orchards/{slug}/entries/{id}": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post?: never;
        /** Undo what was logged in the last ten seconds */
        delete: operations["undo-entry"];
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/orchards/{slug}/helpers": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** What helpers were asked and answered, of all trees */
        get: operations["list-helpers"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/orchards/{slug}/light": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** The yard in light over the growing season */
        get: operations["get-yard-light"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/orchards/{slug}/light/spot": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** The sun on a spot of the plot, before planting too */
        get: operations["get-spot-light"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/orchards/{slug}/own-tasks": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** Tasks of one's own */
        get: operations["list-own-tasks"];
        put?: never;
        /** A task of one's own */
        post: operations["add-own-task"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/orchards/{slug}/own-tasks/{id}": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post?: never;
        /** Take a task of one's own out */
        delete: operations["remove-own-task"];
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/orchards/{slug}/people": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** Who works here */
        get: operations["list-people"];
        put?: never;
        /** Someone new */
        post: operations["add-person"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/orchards/{slug}/people/{id}": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        /** Change a person */
        put: operations["save-person"];
        post?: never;
        /** Take a person out */
        delete: operations["remove-person"];
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/orchards/{slug}/plan": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** The season on a day shown */
        get: operations["get-plan"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/orchards/{slug}/plan/other": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** The windows as another school would have them, where they differ */
        get: operations["get-other-school"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/orchards/{slug}/sheet": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** The day's work in the hand: trees in the order they are walked to, with what to bring */
        get: operations["get-sheet"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/orchards/{slug}/trees": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** All trees, gone ones too */
        get: operations["list-trees"];
        put?: never;
        /** A new tree */
        post: operations["add-tree"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/orchards/{slug}/trees/check": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** What is odd about a tree, before it is written */
        post: operations["check-tree"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/orchards/{slug}/trees/{id}": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        /** Change a tree */
        put: operations["save-tree"];
        post?: never;
        /** Remove a tree entered by mistake */
        delete: operations["remove-tree"];
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/orchards/{slug}/trees/{id}/diagnosis": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** The likely cause of what is wrong with a tree */
        get: operations["get-diagnosis"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/orchards/{slug}/trees/{id}/fruit": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** A tree's fruit on a day: what hangs, what should, and what its limbs carry */
        get: operations["get-fruit"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/orchards/{slug}/trees/{id}/fruit/passes": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** Log what the pad holds of a limb */
        post: operations["close-pass"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/orchards/{slug}/trees/{id}/fruit/taps": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** Keep taps of the counting pad; those sent twice count once */
        post: operations["add-taps"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/orchards/{slug}/trees/{id}/helpers": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** What helpers were asked and answered of a tree */
        get: operations["list-helpers-of-tree"];
        put?: never;
        /** Give this tree's slip to a helper by a link */
        post: operations["ask-helper"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/orchards/{slug}/trees/{id}/helpers/{link}": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post?: never;
        /** Close a helper's link; what was answered stays */
        delete: operations["withdraw-helper"];
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/orchards/{slug}/trees/{id}/helpers/{link}/take-in": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** Take a helper's answers into the journal, all or some; the map follows */
        post: operations["take-in-answers"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/orchards/{slug}/trees/{id}/map": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** The tree on the bench: its map, drawn, and what is found on it */
        get: operations["get-bench"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/orchards/{slug}/trees/{id}/map/carry": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** Carry the limb map on to today's season, as the model grows it uncut */
        post: operations["carry-limbs"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/orchards/{slug}/trees/{id}/map/compare": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** What differs between two revisions */
        get: operations["compare-maps"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/orchards/{slug}/trees/{id}/map/edits": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** Change the limb map */
        post: operations["edit-limbs"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/orchards/{slug}/trees/{id}/map/import": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** A limb map from a file */
        post: operations["import-limbs"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/orchards/{slug}/trees/{id}/map/limbs/{limb}": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** A limb laid flat, with its buds */
        get: operations["get-shoot"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/orchards/{slug}/trees/{id}/map/limbs/{limb}/ways": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** How a limb could be cut for an aim, the best first */
        get: operations["ways-to-cut"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/orchards/{slug}/trees/{id}/map/line": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** What a quick line says */
        post: operations["read-line"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/orchards/{slug}/trees/{id}/map/sketch": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** A first sketch from a few numbers */
        post: operations["sketch-tree"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/orchards/{slug}/trees/{id}/map/slip": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** Which cuts, where, in which order, under the limit */
        get: operations["get-slip"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/orchards/{slug}/trees/{id}/map/slip/choices": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** Take a step of the slip, leave it, or move its cut */
        post: operations["decide-step"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/orchards/{slug}/trees/{id}/map/slip/compare": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** The same cuts in winter, in summer, or not at all */
        get: operations["compare-seasons"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/orchards/{slug}/trees/{id}/map/slip/log": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** Log the cuts as made: the map, the account and the plan follow */
        post: operations["log-slip"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/orchards/{slug}/trees/{id}/map/slip/places/{limb}": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** Every place where a limb could be cut, from its base to its end */
        get: operations["places-to-cut"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/orchards/{slug}/trees/{id}/map/slip/why/{limb}": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** Why a limb is, or is not, on the slip */
        get: operations["why-not"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/orchards/{slug}/trees/{id}/map/slip/years": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** What falls in which year, beside replacing the tree */
        get: operations["slip-years"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/orchards/{slug}/trees/{id}/map/undo": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** Take back the last change */
        post: operations["undo-limbs"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/orchards/{slug}/trees/{id}/map/ways": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** One tree kept by two schools or limits, side by side over some years */
        get: operations["compare-ways"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/orchards/{slug}/trees/{id}/plan": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** The year of one tree */
        get: operations["get-tree-plan"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/orchards/{slug}/trees/{id}/season": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** The season of one tree: cold, warmth, stages, frost and fruit */
        get: operations["get-season"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/orchards/{slug}/trees/{id}/training": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** A tree's way from planting to its frame, with what is due on the day */
        get: operations["get-training"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/orchards/{slug}/trees/{id}/training/bend": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** A limb bent: how far it is safe, with what, for how long */
        post: operations["preview-bend"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/orchards/{slug}/trees/{id}/training/devices": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** A device put on, looked at, or taken off */
        post: operations["log-device"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/orchards/{slug}/trees/{id}/training/words": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** What you say of its shoots and buds, and the training by it */
        post: operations["say-of-shoots"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/orchards/{slug}/trees/{id}/versions": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** The versions a tree's facts have had */
        get: operations["tree-versions"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/orchards/{slug}/weather": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** The days just past and the fortnight ahead, with what they are fit for */
        get: operations["get-weather"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/orchards/{slug}/weather/ask": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** Ask the weather station now */
        post: operations["ask-station"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/orchards/{slug}/weather/file": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** Read days of weather from a file: all or none */
        post: operations["read-weather-file"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/orchards/{slug}/weather/own": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** What a thermometer or gauge on the plot read */
        post: operations["log-own-weather"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/place": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** A climate shaped into a place */
        post: operations["shape-place"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/towns": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** Towns by the beginning of their name, the largest first */
        get: operations["find-towns"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/healthz": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** Whether the program answers */
        get: operations["health"];
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
        AccessBody: {
            /** @description a passphrase is asked for */
            guarded: boolean;
            /** @description helpers have one too */
            helpers: boolean;
            /** @description this request came from the machine the program runs on */
            here: boolean;
            /**
             * @description empty: not signed in
             * @enum {string}
             */
            role: "" | "owner" | "helper";
        };
        AccountBody: {
            carried: components["schemas"]["Says"][];
            /** Format: double */
            dormant: number;
            estimated: boolean;
            exempt: boolean;
            /** Format: date */
            from?: string;
            /**
             * Format: double
             * @description of the crown as it stands now
             */
            left: number;
            /** Format: double */
            limit: number;
            /** Format: double */
            removed: number;
            says: string;
            /** Format: double */
            summer: number;
            /** Format: date */
            to?: string;
        };
        Advice: {
            choice: string;
            /** @description YYYY-MM-DD */
            date?: string;
            office: string;
            rule: string;
        };
        Again: {
            id: string;
            /** Format: int64 */
            remove: number;
        };
        AnchorBody: {
            /** Format: date */
            day: string;
            /** Format: date */
            early: string;
            /** Format: date */
            late: string;
            name: string;
            says: string;
            source: string;
        };
        Archive: {
            format: string;
            orchards: components["schemas"]["ArchivedOrchard"][] | null;
            /** @description of the orchards, their fields in order and without spaces */
            sha256?: string;
            /** Format: int64 */
            version: number;
        };
        ArchivedOrchard: {
            journal: components["schemas"]["Entry"][] | null;
            limb_maps?: {
                [key: string]: components["schemas"]["LimbMap"][] | null;
            };
            orchard: components["schemas"]["Orchard"];
            own_tasks: components["schemas"]["OwnTask"][] | null;
            people: components["schemas"]["Person"][] | null;
            /** @description days set by hand, by task */
            set_days?: {
                [key: string]: string;
            };
            taps?: {
                [key: string]: components["schemas"]["KeptTap"][] | null;
            };
            /** @description what a person says of a young tree's shoots and buds, by tree */
            training_words?: {
                [key: string]: components["schemas"]["TrainingWords"];
            };
            tree_versions?: {
                [key: string]: components["schemas"]["TreeVersion"][] | null;
            };
            trees: components["schemas"]["Tree"][] | null;
            /** @description days of weather as they were */
            weather?: components["schemas"]["KnownDay"][] | null;
        };
        ArmBody: {
            /** @enum {string} */
            balance: "alone" | "even" | "lower_this" | "raise_this";
            /** Format: double */
            lay_cm: number;
            /** Format: double */
            length_cm: number;
            /** @description on its wire already */
            lies: boolean;
            limb: string;
            /** Format: int64 */
            seasons_to_finish: number;
            /** @enum {string} */
            side: "a" | "b";
            /** @enum {string} */
            state: "rise" | "lay_base" | "finish";
            ties: number[];
            too_close: string[];
            /** Format: double */
            wire_cm: number;
        };
        Away: {
            /** Format: date */
            from: string;
            /** Format: date */
            to: string;
        };
        Band: {
            /** Format: date */
            from: string;
            /** @enum {string} */
            name: "Dormancy" | "Bloom" | "Growth" | "Ripening";
            /** Format: date */
            to: string;
        };
        Bar: {
            /** Format: date */
            closes: string;
            cut: boolean;
            /** @enum {string} */
            group?: "now" | "closing" | "opening" | "wait" | "anytime";
            id: string;
            /** @enum {string} */
            kind: "autumn-height-cut" | "bag" | "bend" | "carried-limbs" | "check-ties" | "choose-shoot" | "count-set" | "dormant-cut" | "frame-cut" | "frame-summer" | "frost-count" | "give-mulch" | "give-stake" | "give-wires" | "graft" | "graft-look" | "graft-wood" | "harvest" | "health-look" | "height-cut" | "leaves-off" | "limb-due" | "measure-height" | "notch-look" | "notching" | "own" | "paint" | "planting-cut" | "prop" | "release-test" | "repot" | "restraining-cut" | "scaffold-choice" | "second-look" | "sprout-visit" | "sprouts" | "stand-back" | "stored-look" | "strip-fruit" | "summer-cut" | "summer-shoots" | "take-off" | "thin" | "tie-arms" | "tools" | "unbag" | "young-care";
            /** @enum {string} */
            mark: "winter" | "bloom" | "summer" | "thin" | "pick" | "care";
            /** Format: double */
            minutes: number;
            /** Format: date */
            opens: string;
            /** @description nothing is lost when it is left */
            optional?: boolean;
            short: string;
            /** @enum {string} */
            state: "opens" | "open" | "closing" | "waits" | "done" | "part" | "looked-nothing-needed" | "left" | "missed";
            title: string;
        };
        BedLightBody: {
            name: string;
            /** Format: double */
            sun_hours: number;
        };
        BenchBody: {
            /**
             * Format: int64
             * @description winters on: limbs, findings and facts are predicted; the map is as it stands
             */
            ahead: number;
            /** @description the forecast made from the map of the winter before, beside what came */
            came?: components["schemas"]["CameBody"];
            can_undo: boolean;
            /** @description of a map of an earlier season than today's: that it can be carried on */
            carry?: string;
            /** @description limbs, findings and facts are those with the slip made */
            cut: boolean;
            /** Format: date */
            day: string;
            end_tests: components["schemas"]["EndTestBody"][];
            facts: components["schemas"]["BenchFacts"];
            /** @description its main limbs held against one another, where one stands out */
            fellows?: string;
            /** @description in the order of work, lettered */
            findings: components["schemas"]["FindingBody"][];
            history: components["schemas"]["Revision"][];
            /** @description carriers before what they carry */
            limbs: components["schemas"]["DrawnLimb"][];
            map?: components["schemas"]["Doc"];
            mapped: boolean;
            /** @description wanted at this age by its form */
            outline: components["schemas"]["Outline"];
            /** @description the tree as it was mapped in years before, latest first; two at most */
            past: components["schemas"]["PastBody"][];
            /** @description of the map shown; absent when there is none */
            revision?: components["schemas"]["Revision"];
            safety: string[];
            /** @description what is known or usual, to start a sketch from */
            suggest: components["schemas"]["SketchInput"];
            tree: components["schemas"]["BenchTree"];
            warnings: components["schemas"]["FieldError"][];
        };
        BenchFacts: {
            /** Format: double */
            buds_above: number;
            /**
             * Format: double
             * @description flower buds expected within reach
             */
            buds_within: number;
            completeness: components["schemas"]["Completeness"];
            /**
             * Format: double
             * @description widest that passes through the middle
             */
            cylinder_cm: number;
            /** Format: double */
            ground_m2: number;
            /** Format: double */
            height_cm: number;
            leader_chain: string[];
            /** Format: double */
            leaf_m2: number;
            /**
             * Format: double
             * @description mean of its leaf, of full light over the growing season, 0..1
             */
            light: number;
            /** Format: int64 */
            limbs: number;
            /** @enum {string} */
            map_season: "dormant" | "summer";
            passes: components["schemas"]["Passes"][];
            sources: components["schemas"]["SourceCount"];
            /** Format: double */
            sphere_cm: number;
            /** Format: double */
            spread_cm: number;
        };
        BenchTree: {
            /**
             * Format: int64
             * @description 0 unknown
             */
            age: number;
            code: string;
            form: string;
            form_name: string;
            /** @description what it bears on, in a sentence */
            habit: string;
            id: string;
            kind: string;
            kind_name: string;
            name?: string;
            /** Format: double */
            reach_cm: number;
        };
        BendAsked: {
            /**
             * Format: double
             * @description 0: by kind and school
             */
            aim_deg?: number;
            /** Format: double */
            air_c?: number;
            /** @description of a spreader: the other limb, where it stands between two; empty: on the trunk */
            between?: string;
            /**
             * Format: double
             * @description where it is held, from its fork; 0: the usual
             */
            contact_cm?: number;
            /** @enum {string} */
            device?: "clothespin" | "notched_stick" | "weight" | "spreader" | "peg_tie" | "tie" | "tie_up";
            limb: string;
            /** Format: double */
            peg_cm?: number;
        };
        BendBody: {
            /** Format: double */
            aim_deg: number;
            /** Format: double */
            azimuth_deg: number;
            bent: components["schemas"]["OutUp"][];
            /** Format: double */
            best_peg_cm: number;
            /** @description of a spreader between two limbs */
            between?: components["schemas"]["BridgeBody"];
            bound?: string;
            /** Format: double */
            contact_cm: number;
            /** Format: double */
            cord_cm: number;
            /** Format: double */
            cord_cut_cm: number;
            /** Format: double */
            d_mm: number;
            device: string;
            device_name: string;
            /** Format: double */
            force_n: number;
            /** Format: double */
            fork_cm: number;
            /** Format: double */
            grows_mm: number;
            /** Format: double */
            high_deg: number;
            how: string;
            /** Format: double */
            length_cm: number;
            limb: string;
            /** Format: double */
            loop_cm: number;
            /** Format: double */
            loop_mm: number;
            /** Format: double */
            low_deg: number;
            /** Format: double */
            mass_kg: number;
            now: components["schemas"]["OutUp"][];
            /** Format: double */
            now_deg: number;
            /** Format: date */
            off?: string;
            /** @description limbs that a spreader could stand against */
            partners: string[];
            /** Format: double */
            peg_cm: number;
            /** Format: double */
            pull_kg: number;
            /** @description the device that holds it now */
            rig?: string;
            /** Format: double */
            safe_deg: number;
            says: string[];
            shortened: boolean;
            /** Format: int64 */
            stages?: number;
            stand_in: string;
            /** Format: double */
            stick_cm: number;
            /** Format: double */
            to_deg: number;
            /** Format: double */
            today_deg: number;
            /** Format: double */
            trunk_cm: number;
            /** @enum {string} */
            verdict: "lower" | "raise" | "leave";
            /** Format: int64 */
            weeks_between: number;
            why: string;
            /** Format: double */
            widens_cm: number;
        };
        Bloom: {
            /** Format: double */
            bloom_share: number;
            /** Format: double */
            load: number;
            next: string;
            tendency: string;
        };
        BodyMarkBody: {
            /** Format: double */
            cm: number;
            name: string;
        };
        BridgeBody: {
            /**
             * Format: double
             * @description between the contacts, as they stand
             */
            gap_cm: number;
            /** @description the other */
            limb: string;
            /**
             * Format: double
             * @description of the other limb
             */
            now_deg: number;
            says: string;
            /** Format: double */
            stick_cm: number;
            /** Format: double */
            to_deg: number;
        };
        BudWord: {
            bud: string;
            /**
             * @description broken: it grows by itself; one that is asleep is not named
             * @enum {string}
             */
            state: "opening" | "broken" | "dead";
        };
        CalendarBody: {
            /** @description told once, when it is made: only a proof of it is kept */
            address?: string;
            /**
             * Format: date-time
             * @description when the address in force was made; none: there is none
             */
            made?: string;
        };
        CameBody: {
            /** @description cut by cut, the strongest answers first */
            cuts: components["schemas"]["CutCame"][];
            /**
             * Format: date
             * @description of the map it was made from
             */
            from: string;
            says: string;
            /** @enum {string} */
            verdict: "as-forecast" | "stronger" | "weaker";
        };
        CandidateBody: {
            /** Format: double */
            angle_deg: number;
            /** Format: double */
            azimuth_deg: number;
            /** @description counted as it would stand once bent */
            bent: boolean;
            /** Format: double */
            d_mm: number;
            /** Format: double */
            height_cm: number;
            keep: boolean;
            limb: string;
            /** @enum {string} */
            state: "chosen" | "runner-up" | "spare" | "refused";
            why?: string;
        };
        Carried: {
            /**
             * Format: double
             * @description lowered by so much already
             */
            cm?: number;
            code: string;
            /** @enum {string} */
            due: "summer" | "winter";
            limb: string;
            why: string;
        };
        CarriedBody: {
            cut?: string;
            finding: components["schemas"]["Key"];
            letter?: string;
            name: string;
            /** @description what waiting costs */
            price?: string;
            says: string;
            /** Format: double */
            share?: number;
            why: string;
            why_says: string;
        };
        CarryBody: {
            for: string;
            what: string;
        };
        CarryRequestBody: {
            /**
             * Format: int64
             * @description the revision in sight
             */
            based_on: number;
        };
        CauseBody: {
            do: string;
            evidence: components["schemas"]["CauseProofBody"][];
            name: string;
            /** Format: double */
            share: number;
            slug: string;
            when: string;
        };
        CauseProofBody: {
            asked: boolean;
            for: boolean;
            says: string;
            /**
             * Format: double
             * @description log-odds
             */
            weight: number;
        };
        ChangeBody: {
            after: string;
            before: string;
            field: string;
            limb: string;
        };
        CheckLine: {
            key: string;
            name: string;
            says: string;
        };
        ChillBody: {
            days: components["schemas"]["DayValueBody"][];
            /**
             * Format: double
             * @description by the day shown
             */
            got: number;
            /** Format: date */
            met?: string;
            /** Format: date */
            met_early?: string;
            /** Format: date */
            met_late?: string;
            /**
             * Format: double
             * @description chill portions
             */
            need: number;
            says: string;
            /** @enum {string} */
            status: "met" | "short" | "unmet" | "waiting" | "observed";
        };
        ChoiceBody: {
            key: string;
            name: string;
            value: string;
        };
        ChoiceMeta: {
            default: string;
            key: string;
            name: string;
            values: components["schemas"]["ValueMeta"][];
        };
        ChosenBody: {
            /** Format: date */
            closes: string;
            code?: string;
            kind_name?: string;
            /** @enum {string} */
            mark: "winter" | "bloom" | "summer" | "thin" | "pick" | "care";
            /** Format: int64 */
            minutes: number;
            /** Format: date */
            opens: string;
            pieces: components["schemas"]["PieceBody"][];
            /** @description why this day */
            says: string;
            /** @description a person set the day */
            set: boolean;
            short: string;
            task_id: string;
            title: string;
            tree_id?: string;
            tree_name?: string;
        };
        ComplaintBody: {
            name: string;
            slug: string;
        };
        Completeness: {
            /** Format: double */
            described: number;
            /** Format: double */
            measured: number;
            /** Format: double */
            value: number;
        };
        Count: {
            /** Format: int64 */
            count_more: number;
            /** Format: double */
            fraction: number;
            /** Format: double */
            fruit: number;
            /** Format: double */
            half_width: number | null;
            /** Format: double */
            high: number;
            /** Format: double */
            low: number;
            /** Format: double */
            per_cm2: number;
            /** Format: double */
            se: number;
            verdict: string;
        };
        CropBody: {
            alternation?: string;
            /**
             * Format: double
             * @description of the plot's kilos, over the years most trees have on record
             */
            alternation_index?: number;
            /**
             * Format: double
             * @description of the plot's outline; 0: none drawn
             */
            ground_m2: number;
            kinds: components["schemas"]["KindCrop"][];
            safety: string[];
            /** Format: int64 */
            season: number;
            /** @description those that bear, by code */
            trees: components["schemas"]["TreeCrop"][];
            /** @description latest first */
            years: components["schemas"]["PlotYear"][];
        };
        CropYear: {
            /**
             * Format: double
             * @description share of its flower buds after frost
             */
            alive?: number;
            /** Format: date */
            first?: string;
            /** Format: double */
            kg?: number;
            /** Format: date */
            last?: string;
            /** Format: int64 */
            left?: number;
            /**
             * Format: double
             * @description mean of a fruit; 0 unknown
             */
            mass_g: number;
            /** Format: int64 */
            picked?: number;
            quality?: string;
            /** Format: int64 */
            season: number;
            /** Format: double */
            set?: number;
            /** Format: int64 */
            taken?: number;
        };
        CutAt: {
            /** Format: double */
            at_cm: number;
            /** Format: double */
            fraction?: number;
            kind: string;
            limb: string;
            /** Format: double */
            to_cm?: number;
        };
        CutCame: {
            limb: string;
            says: string;
        };
        DayCostBody: {
            /** Format: date */
            date: string;
            /** @enum {string} */
            level: "better" | "possible" | "harmful" | "forbidden";
            /** @description it may be set */
            open: boolean;
            time: string;
            /** @description what it is to the tree */
            tree: string;
            weather: string;
        };
        DayValueBody: {
            /** Format: date */
            date: string;
            /** Format: double */
            value: number;
        };
        DaysBody: {
            /**
             * Format: date
             * @description the day shown
             */
            day: string;
            days: components["schemas"]["PlanDayBody"][];
            /** @description logged in the last week */
            done: components["schemas"]["DoneBody"][];
            /** @description least harm first */
            dropped: components["schemas"]["DroppedBody"][];
            /** @description somebody said what hours they have; else two on each day of the weekend are taken */
            hours_said: boolean;
            /** @description in the order of the work */
            jobs: components["schemas"]["ChosenBody"][];
            /** @description the work ahead against the hours */
            says: string;
            /** Format: date */
            to: string;
            waiting: components["schemas"]["WaitingBody"][];
        };
        Decision: {
            /** @enum {string} */
            choice: "taken" | "left" | "moved" | "open";
            cut?: components["schemas"]["CutAt"];
            findings: components["schemas"]["Key"][];
            /** @description the caller's own, so that one sent twice counts once */
            id?: string;
            /**
             * @description why it is left, as it was found at the tree
             * @enum {string}
             */
            seen?: "" | "not-found" | "dead";
            who?: string;
        };
        DemoBody: {
            /** @description it is served there, from a file of its own; none: it is here */
            address?: string;
            /** @description of its first orchard */
            slug: string;
        };
        DiagnosisBody: {
            /** @description what tells the first cause from the second */
            apart?: string;
            /** @description the one that tells most first */
            ask: components["schemas"]["QuestionBody"][];
            /** @description the likeliest first */
            causes: components["schemas"]["CauseBody"][];
            code: string;
            /** @enum {string} */
            complaint: "no-fruit" | "small-fruit" | "only-at-the-top" | "many-sprouts" | "dies-back" | "leans" | "drops-fruit" | "splits";
            complaints: components["schemas"]["ComplaintBody"][];
            kind_name: string;
            /** @description what was not asked because the record tells it */
            known: string[];
            local_rules: string;
            name?: string;
            /** @description how sure it is */
            says: string;
            sure: boolean;
            tree_id: string;
        };
        Doc: {
            /**
             * Format: int64
             * @description years since planting
             */
            age?: number;
            form?: string;
            limbs: components["schemas"]["Limb"][];
            /**
             * Format: double
             * @description growth state, written by the core
             */
            reff?: number;
            /**
             * Format: double
             * @description growth state, written by the core
             */
            rref?: number;
            /**
             * @description empty: dormant
             * @enum {string}
             */
            season?: "dormant" | "summer";
            species: string;
            /**
             * Format: int64
             * @description of this format: 1
             */
            version?: number;
            /**
             * Format: double
             * @description growth state, written by the core
             */
            vig?: number;
            /**
             * Format: int64
             * @description the growth year that comes next (dormant) or runs (summer); 0: unknown
             */
            year?: number;
        };
        DocketBody: {
            /** @description open for weeks yet, and nothing is lost by waiting */
            anytime: components["schemas"]["TaskBody"][];
            closing: components["schemas"]["TaskBody"][];
            /** Format: date */
            day: string;
            local_rules: string;
            /** Format: double */
            minutes: number;
            minutes_says: string;
            missed: components["schemas"]["TaskBody"][];
            now: components["schemas"]["TaskBody"][];
            opening: components["schemas"]["TaskBody"][];
            /** @description stages that may be seen about now, by kind */
            see: components["schemas"]["SeeKindBody"][];
            wait: components["schemas"]["TaskBody"][];
        };
        DoneBody: {
            /** Format: date */
            date: string;
            /** Format: int64 */
            minutes: number;
            task_id: string;
            title: string;
            tree_id?: string;
        };
        DrawnLimb: {
            /** Format: double */
            angle_base_deg: number;
            /** Format: double */
            angle_tip_deg: number;
            /** Format: double */
            attach_cm: number;
            /** Format: double */
            azimuth_deg: number;
            /** Format: double */
            dead_from_cm?: number;
            /** Format: int64 */
            depth: number;
            /** Format: double */
            diameter_mm: number;
            /**
             * Format: double
             * @description expected within reach
             */
            flower_buds: number;
            gaps: components["schemas"]["Stretch"][];
            /** @description fields nobody measured */
            guessed: string[];
            id: string;
            leads?: boolean;
            /** Format: double */
            length_cm: number;
            /**
             * Format: double
             * @description of full light over the growing season, 0..1
             */
            light: number;
            marks: components["schemas"]["Mark"][];
            note?: string;
            parent?: string;
            rings: components["schemas"]["DrawnRing"][];
            /**
             * Format: double
             * @description of the crown, 0..1
             */
            share: number;
            /** @enum {string} */
            source: "measured" | "estimated" | "predicted";
            sprout?: boolean;
            spurs: components["schemas"]["SpurCount"][];
            state?: components["schemas"]["State"];
            state_says?: string;
            stations: number[];
            sucker?: boolean;
            tags: string[];
            /** @enum {string} */
            tip: "growing" | "cut" | "dead";
            /** Format: double */
            top_cm: number;
            /**
             * Format: double
             * @description bearing it is wanted to grow toward
             */
            toward_deg?: number;
            wounds: components["schemas"]["Wound"][];
        };
        DrawnRing: {
            /** Format: int64 */
            age: number;
            /** @description what it bears the year after */
            bears?: string;
            /** Format: double */
            from_cm: number;
            /** Format: double */
            to_cm: number;
            /**
             * Format: int64
             * @description the year it grew; absent when the map knows none
             */
            year?: number;
        };
        DroppedBody: {
            /** Format: date */
            closes: string;
            code?: string;
            costs: string;
            /**
             * Format: date
             * @description the day it could be set on
             */
            fits?: string;
            kind_name?: string;
            /**
             * Format: int64
             * @description minutes without a day
             */
            left: number;
            /** @enum {string} */
            mark: "winter" | "bloom" | "summer" | "thin" | "pick" | "care";
            /** Format: int64 */
            minutes: number;
            /** Format: date */
            opens: string;
            /** @description the least more time that would hold it */
            room?: components["schemas"]["PieceBody"];
            room_says?: string;
            short: string;
            task_id: string;
            title: string;
            tree_id?: string;
            tree_name?: string;
            why: string;
        };
        Edit: {
            /** Format: double */
            at_cm?: number;
            /** Format: double */
            attach_cm?: number;
            bud?: components["schemas"]["SeenBud"];
            /**
             * @description how the numbers came; empty: measured
             * @enum {string}
             */
            by?: "measured" | "estimated";
            clear?: string[];
            /** @description the limb */
            id?: string;
            limb?: components["schemas"]["Limb"];
            mark?: components["schemas"]["Mark"];
            /** @enum {string} */
            op: "add" | "set" | "tip" | "move" | "remove" | "mark" | "unmark" | "tag" | "untag" | "state" | "bud" | "cut";
            parent?: string;
            state?: components["schemas"]["State"];
            tag?: string;
            /** @description x east, y north, z up, cm */
            tip?: [
                number,
                number,
                number
            ];
        };
        Edits: {
            /**
             * Format: int64
             * @description the revision the edits were made on
             */
            based_on: number;
            edits: components["schemas"]["Edit"][];
            note?: string;
        };
        EndTestBody: {
            how: string;
            last?: string;
            name: string;
            /** Format: date */
            on?: string;
            slug: string;
            /** @description the good answer first */
            words: [
                string,
                string
            ];
        };
        Entry: {
            /** @description pest or sickness seen */
            agent?: string;
            carried?: components["schemas"]["Carried"][] | null;
            /** @description id of the entry this one corrects */
            corrects?: string;
            /** Format: int64 */
            count?: number;
            readonly created: string;
            /** @description diameters of the cuts */
            cut_mm?: number[] | null;
            /** Format: int64 */
            cuts?: number;
            /** Format: date */
            date: string;
            /** @enum {string} */
            device?: "tie" | "spreader" | "weight" | "clothespin";
            /** @description of a tree: see-through, hand, hat, ball, shake: passed or failed; low-flowers: seen or not-seen */
            end_tests?: {
                [key: string]: string;
            };
            /** @description only dead or sick wood or suckers went */
            free_only?: boolean;
            /** Format: int64 */
            fruit?: number;
            /** @description of a count, a thinning pass, a size, a frost count, a harvest, a broken limb */
            fruiting?: components["schemas"]["Fruiting"];
            /** @description how good the day was for the job */
            readonly grade?: string;
            /** @description of a graft: mother tree, kind, way and what took */
            grafted?: components["schemas"]["GraftLog"];
            /** @description a heading cut or renewal stub in growth */
            headed?: boolean;
            /**
             * Format: double
             * @description how high the stem was headed at planting
             */
            headed_cm?: number;
            /** Format: double */
            height_m?: number;
            readonly id: string;
            /** Format: double */
            kilos?: number;
            /**
             * @description void annuls the entry it corrects
             * @enum {string}
             */
            kind: "work" | "observed" | "measured" | "frost-night" | "seen" | "treatment" | "note" | "trouble" | "end-tests" | "slip" | "void";
            made?: components["schemas"]["CutAt"][] | null;
            /** Format: int64 */
            map_revision?: number;
            /** Format: double */
            minutes?: number;
            note?: string;
            /** @description bark was newly opened to the sun */
            opens_sun?: boolean;
            /** @enum {string} */
            outcome?: "done" | "part" | "left" | "nothing-needed";
            /**
             * @description what wood for grafting is kept in
             * @enum {string}
             */
            packing?: "sawdust" | "paper";
            /** @description why it was left, done outside its window, or went not as meant */
            reason?: string;
            /** @description of a device: put on, looked at, taken off */
            rig?: components["schemas"]["RigAct"];
            /** @description the preset in force when it was logged */
            readonly school?: string;
            /** @description departures from it */
            readonly school_own?: string;
            /** Format: int64 */
            readonly season: number;
            /**
             * Format: double
             * @description live crown removed
             */
            share?: number;
            /** Format: double */
            shoot_cm?: number;
            /** @description what a person decided about a step of a slip */
            slip?: components["schemas"]["SlipChoice"];
            /** Format: double */
            spread_m?: number;
            /** @description stage seen */
            stage?: string;
            /** @description kind of task */
            task?: string;
            task_id?: string;
            /**
             * Format: double
             * @description of a frost night
             */
            tmin_c?: number;
            /** @description what was used; 'none' is an answer */
            treatment?: string;
            /** @description absent for the orchard's own jobs */
            tree_id?: string;
            readonly tree_stage?: string;
            /** @description of a trial: its arms, as set out or as counted */
            trial?: components["schemas"]["TrialLog"];
            /** Format: double */
            trunk_mm?: number;
            weather?: components["schemas"]["Weather"];
            who?: string;
            /** @description of a mapped tree: the part of the leaf of each third of its height that went, from the ground up */
            zones?: [
                number,
                number,
                number
            ];
        };
        EntryBody: {
            entry: components["schemas"]["Entry"];
            grade?: components["schemas"]["GradeBody"];
            /** Format: int64 */
            undo_for_s: number;
            warnings: components["schemas"]["FieldError"][];
        };
        Fault: {
            /** Format: int64 */
            end: number;
            expected: string;
            given: string;
            /** Format: int64 */
            start: number;
        };
        Feature: {
            /**
             * Format: double
             * @description bearing a wall faces
             */
            faces_deg?: number;
            /** Format: double */
            height_m?: number;
            id: string;
            /** @enum {string} */
            kind: "wall" | "fence" | "hedge" | "path" | "bed" | "shade-tree" | "shed" | "house" | "water" | "power-line";
            name?: string;
            points: components["schemas"]["Point"][];
            /**
             * Format: double
             * @description of a path, or across a shade tree's crown
             */
            width_m?: number;
            /** @description of a wall or a house, behind what stands along it */
            windows?: components["schemas"]["Window"][];
        };
        FieldError: {
            code: string;
            expected: string;
            field: string;
            given: string;
            /** @description the same as a sentence for a person, where one was written */
            says?: string;
        };
        FindingBody: {
            /**
             * @description what a cut should do; absent: answered without a cut
             * @enum {string}
             */
            aim?: "" | "sound" | "remove" | "lower" | "shorten" | "subdue" | "open" | "renew" | "calm" | "fruit" | "branch" | "extend" | "bear" | "spurs";
            /** @description limbs with the same fault that hang on the offending stretch */
            also: string[];
            /** Format: double */
            at_cm: number;
            code: string;
            /** @description rests on numbers nobody measured */
            estimated: boolean;
            letter: string;
            limb: string;
            members: string[];
            name: string;
            /** @description x, y, z in cm */
            place: [
                number,
                number,
                number
            ];
            /** @description the numbers */
            says: string;
            /** Format: double */
            severity: number;
            source: string;
            /** Format: int64 */
            step: number;
            where: string;
            /** @description why it matters */
            why: string;
        };
        FitBody: {
            /** Format: date */
            date: string;
            fit: boolean;
            /** @description in words, where it is not */
            why?: string;
        };
        FitRowBody: {
            days: components["schemas"]["FitBody"][];
            name: string;
            /** @description in words: the first fit day, and why it waits till then */
            next: string;
            /** @enum {string} */
            purpose: "winter_pome" | "winter_stone" | "bud_cut" | "summer_pome" | "summer_stone" | "thinning";
        };
        ForecastBody: {
            /** Format: date */
            as_of: string;
            /** Format: date */
            early: string;
            /** Format: date */
            late: string;
            /** Format: date */
            median: string;
            /** @enum {string} */
            why: "new_year" | "seen" | "now";
        };
        FormAdvice: {
            /**
             * Format: double
             * @description a year, once it bears in full
             */
            crop_kg: number;
            /** @enum {string} */
            form: "open-vase" | "low-bush" | "modified-leader" | "central-leader" | "wire-tiers" | "flat-fan" | "step-over" | "shrub" | "late-leader" | "slim-leader" | "four-arm";
            /** Format: double */
            ground_m2: number;
            /** Format: double */
            height_m: number;
            /** Format: double */
            hours_a_year: number;
            keeps_present_form: boolean;
            name: string;
            outlines: components["schemas"]["Outline"][];
            reasons: components["schemas"]["Points"][];
            /** Format: double */
            score: number;
            sentence: string;
            /** Format: int64 */
            years_to_full_crop: number;
        };
        FormMeta: {
            name: string;
            sentence?: string;
            /** @enum {string} */
            slug: "open-vase" | "low-bush" | "modified-leader" | "central-leader" | "wire-tiers" | "flat-fan" | "step-over" | "shrub" | "late-leader" | "slim-leader" | "four-arm";
        };
        FormStepBody: {
            /** Format: double */
            cm: number;
            /** Format: date */
            from?: string;
            /** Format: double */
            high_cm: number;
            says: string;
            /** Format: int64 */
            season: number;
            /** @description what still can be done where it was missed */
            second?: string;
            /** @enum {string} */
            state: "done" | "now" | "ahead" | "missed" | "past";
            task?: string;
            /** Format: int64 */
            tier: number;
            title: string;
            /** Format: date */
            to?: string;
            what: string;
            when: string;
            /** Format: int64 */
            year: number;
        };
        FrostBody: {
            /** Format: double */
            alive: number;
            /**
             * Format: double
             * @description so much alive still makes a crop
             */
            enough: number;
            /** @description one bud or fruitlet in ten dies at this, C */
            hardy: components["schemas"]["DayValueBody"][];
            /**
             * Format: date
             * @description last frost, every other year
             */
            last_frost?: string;
            nights: components["schemas"]["NightBody"][];
            says: string;
            /** @description its kind has a table of what kills */
            table: boolean;
        };
        FrostTick: {
            /** Format: date */
            day: string;
            /**
             * Format: double
             * @description 0..1
             */
            risk: number;
        };
        Frosted: {
            /** Format: int64 */
            buds_to_keep: number | null;
            /** Format: int64 */
            fruit: number | null;
            /** Format: double */
            high: number;
            /** Format: double */
            low: number;
            /** Format: double */
            needed_share: number | null;
            /** Format: int64 */
            open_more: number;
            /** Format: double */
            share: number;
            verdict: string;
        };
        FruitAxis: {
            /** Format: int64 */
            age: number;
            /**
             * Format: double
             * @description to its carrier
             */
            angle_deg: number;
            /** Format: double */
            attach_cm: number;
            /** Format: double */
            d_mm: number;
            id: string;
            /** Format: double */
            length_cm: number;
            parent?: string;
            /**
             * Format: int64
             * @description 1 left of its carrier seen from base to tip, -1 right
             */
            side: number;
            source: string;
            /** Format: double */
            tip_mm: number;
        };
        FruitBody: {
            alternation?: string;
            /** Format: double */
            alternation_index?: number;
            /** Format: int64 */
            available?: number;
            bears: boolean;
            /** @description left as it hangs, and thinned: what each comes to; absent while nothing is to be taken */
            beside?: components["schemas"]["LeftBody"][];
            binding: string;
            /** @description which rule binds, in words */
            binds: string;
            /** @description limbs that broke, traced to the thinning record */
            broken: string[];
            count?: components["schemas"]["Count"];
            count_says?: string;
            /** Format: date */
            day: string;
            /** @description what to do in such a year */
            doing: string[];
            frost?: components["schemas"]["Frosted"];
            frost_says?: string;
            /**
             * Format: double
             * @description of a fruitlet; 0 before petal fall
             */
            fruit_mm: number;
            fruit_mm_measured: boolean;
            glance?: string;
            how_to_pinch: string;
            /**
             * Format: int64
             * @description to leave at first: more than the target while frost can come
             */
            keep: number;
            /** Format: double */
            kg: number;
            king_fruit: boolean;
            limbs: components["schemas"]["FruitLimb"][];
            /** @description each rule's number for the tree */
            lines: components["schemas"]["FruitLine"][];
            /** @description the worst first */
            loads: components["schemas"]["LoadBody"][];
            /** @enum {string} */
            loads_by: "counted" | "expected" | "snow" | "picked";
            /** @description of the map the limbs are drawn from */
            map_season?: string;
            mapped: boolean;
            /**
             * Format: double
             * @description of a fruit with so many left
             */
            mass_g: number;
            /** Format: double */
            minutes?: number;
            next_year?: components["schemas"]["Bloom"];
            next_year_says?: string;
            /**
             * Format: date
             * @description the day the season's fruit was logged as picked: none hangs, and what is told to leave and to carry is what the season was to bear
             */
            picked?: string;
            picked_says?: string;
            /** @description it may be counted as clusters times fruit per cluster */
            pome: boolean;
            /** Format: int64 */
            remove?: number;
            /** @description of the ring gauge for its kind */
            rings_mm: number[];
            safety: string[];
            /** Format: int64 */
            season: number;
            second?: components["schemas"]["Second"];
            /** Format: double */
            spacing_cm?: number;
            standing: components["schemas"]["Standing"];
            /** @description how it comes into the season */
            standing_says?: string;
            /** Format: int64 */
            target: number;
            /** @description the kind's fruit is thinned by hand here */
            thinned: boolean;
            time?: components["schemas"]["Time"];
            time_says?: string;
            /** @description limbs to count next, thickest first */
            to_count: string[];
            tree: components["schemas"]["BenchTree"];
            warnings: string[];
            whether?: components["schemas"]["ThinOrNot"];
            whether_says?: string;
            why_this_size: string;
            /** @description of the thinning */
            window?: components["schemas"]["FruitWindow"];
            /** @description latest first */
            years: components["schemas"]["CropYear"][];
        };
        FruitCurveBody: {
            curve: components["schemas"]["DayValueBody"][];
            measured: components["schemas"]["DayValueBody"][];
            /**
             * Format: int64
             * @description the season the measured points are of
             */
            of: number;
            /** Format: double */
            ripe_mm: number;
            says: string;
        };
        FruitLimb: {
            /** Format: double */
            above_reach: number;
            /** @description the limb and all it carries, carriers first */
            axes: components["schemas"]["FruitAxis"][];
            binds: string;
            counted: boolean;
            /** @description grams a fruit against the number left on this limb */
            curve: components["schemas"]["SizePoint"][];
            /** @description among the places to knock off first with the pole */
            dense: boolean;
            /** Format: double */
            diameter_mm: number;
            /** @description thinned at least once */
            done: boolean;
            id: string;
            /** Format: int64 */
            keep: number;
            /** Format: double */
            keep_one_in?: number;
            /** @description its own wood first, then its side limbs from base to tip */
            laterals: components["schemas"]["FruitSide"][];
            /**
             * Format: int64
             * @description as logged
             */
            left: number;
            /** Format: double */
            length_cm: number;
            /** Format: double */
            light: number;
            lines: components["schemas"]["FruitLine"][];
            /** Format: double */
            mass_g: number;
            /** Format: int64 */
            on?: number;
            /**
             * Format: int64
             * @description the pass to count now: 1 the first time
             */
            pass: number;
            /** Format: int64 */
            remove?: number;
            /** Format: double */
            section_cm2: number;
            /** @description of the tree, as south */
            side?: string;
            /**
             * Format: int64
             * @description as logged
             */
            taken: number;
            /** @description what the pad holds of the pass to count now */
            tally: components["schemas"]["Tally"][];
        };
        FruitLine: {
            binds: boolean;
            from: string;
            /** Format: int64 */
            fruit: number;
            kind: string;
            name: string;
        };
        FruitSide: {
            class: string;
            fruits: components["schemas"]["PlacedFruit"][];
            /** @description empty: the limb's own wood */
            id: string;
            /** Format: int64 */
            keep: number;
            /** Format: double */
            length_cm: number;
            /**
             * Format: int64
             * @description estimated
             */
            on: number;
        };
        FruitWindow: {
            /** Format: date */
            closes?: string;
            /** Format: int64 */
            days_left: number;
            /** Format: date */
            opens?: string;
            says: string;
        };
        Fruiting: {
            /**
             * Format: int64
             * @description of them with a live heart
             */
            alive?: number;
            /** @description the limb that broke */
            broke?: string;
            /** @description of a count of the set */
            counts?: components["schemas"]["LimbCount"][] | null;
            /**
             * Format: date
             * @description first day of the harvest
             */
            first?: string;
            /**
             * Format: double
             * @description mean of ten fruitlets across the cheeks
             */
            fruit_mm?: number;
            /**
             * @description of those who look and do not count
             * @enum {string}
             */
            glance?: "none" | "few" | "right" | "many" | "crowded";
            /** Format: date */
            last?: string;
            laterals?: components["schemas"]["LateralCount"][] | null;
            /** Format: int64 */
            left?: number;
            /** @description of a pass, or of a harvest by limb */
            limb?: string;
            /**
             * Format: int64
             * @description flower buds cut across
             */
            opened?: number;
            /**
             * Format: int64
             * @description 1 the first time over a limb
             */
            pass?: number;
            /** @enum {string} */
            quality?: "keeping" | "table" | "kitchen" | "poor";
            /**
             * Format: double
             * @description the tree's fruit by this count, drop to come taken off
             */
            readonly set?: number;
            /** Format: double */
            readonly set_high?: number;
            /** Format: double */
            readonly set_low?: number;
            /** Format: int64 */
            taken?: number;
            /** @enum {string} */
            way?: "hand" | "pole" | "shears";
            /** @description where it went */
            went?: string;
        };
        GaugeBody: {
            /**
             * Format: double
             * @description what the tree year comes to
             */
            account: number;
            /**
             * Format: double
             * @description what this slip may come to with what went before
             */
            cap: number;
            /** @description in formation */
            exempt: boolean;
            /**
             * Format: double
             * @description on this slip, not counted: sick wood and suckers
             */
            free: number;
            /**
             * Format: double
             * @description before the limit
             */
            left: number;
            /**
             * Format: double
             * @description of the crown, in the tree year
             */
            limit: number;
            says: string;
            /**
             * Format: double
             * @description on this slip
             */
            slip: number;
            /**
             * Format: double
             * @description taken already since
             */
            summer: number;
            /**
             * Format: double
             * @description taken already up to bloom
             */
            winter: number;
            /** @description thirds of the height, from the ground up; none where the limit is the whole tree's */
            zones: components["schemas"]["ZoneBody"][];
        };
        GradeBody: {
            /** Format: date */
            from?: string;
            /** @enum {string} */
            level: "better" | "possible" | "harmful" | "forbidden";
            says: string;
            /** Format: date */
            to?: string;
        };
        GraftBody: {
            /** Format: int64 */
            pieces: number;
            says: string[];
            shoots: components["schemas"]["GraftShootBody"][];
            /** @enum {string} */
            state: "not_dormant" | "open" | "closing" | "late";
            /** Format: double */
            weeks_left: number;
        };
        GraftLog: {
            /** @description slug of the kind of the wood; of a look at a graft: absent, it is the graft's */
            kind?: string;
            /** @description of the host */
            limb?: string;
            /** @description id of the tree the wood came from */
            mother?: string;
            /** Format: int64 */
            pieces?: number;
            /** @description where it came from otherwise */
            source?: string;
            /** Format: int64 */
            took?: number;
            /** @enum {string} */
            way?: "whip" | "cleft" | "bark" | "chip" | "bud";
        };
        GraftShootBody: {
            limb: string;
            /** Format: int64 */
            pieces: number;
        };
        GraftedBody: {
            /** Format: date */
            date: string;
            says: string;
        };
        GroupBody: {
            limb?: string;
            /** Format: double */
            minutes: number;
            /** @enum {string} */
            section: "sick" | "tops" | "frame" | "thin";
            /** Format: double */
            share: number;
            /** @description their n */
            steps: number[];
            title: string;
        };
        HardwareLine: {
            amount: string;
            stand_in: string;
            what: string;
        };
        Health: {
            ok: boolean;
        };
        HeightBody: {
            /** Format: double */
            done_cm: number;
            /** Format: double */
            now_cm: number;
            says: string;
            /** Format: double */
            this_cm: number;
        };
        HelperAnswer: {
            readonly at: string;
            /** @enum {string} */
            choice: "taken" | "left" | "could-not" | "note";
            /**
             * Format: double
             * @description of the wound, by caliper
             */
            d_mm?: number;
            /** @description the journal's, once the owner took it in */
            readonly entry?: string;
            /** @description the caller's own, so that one sent twice counts once */
            id: string;
            note?: string;
            /**
             * Format: int64
             * @description its n on the page; 0: of the whole
             */
            step: number;
        };
        HelperAsk: {
            /**
             * Format: int64
             * @description how long the link is open
             */
            days: number;
            /** @description what else they should know */
            note?: string;
        };
        HelperLinkBody: {
            answers: components["schemas"]["HelperAnswer"][];
            code: string;
            created: string;
            /** Format: date-time */
            expires: string;
            id: string;
            key: string;
            note?: string;
            over: boolean;
            /** @description of the page; told once, when the link is made */
            path?: string;
            steps: components["schemas"]["HelperStepBody"][];
            tree_id: string;
            /**
             * Format: int64
             * @description answers that were not taken in yet
             */
            waiting: number;
            withdrawn: boolean;
        };
        HelperPage: {
            /** @description of the slip, where it is not that of the day */
            asked_season?: string;
            code: string;
            /**
             * Format: date
             * @description the day the slip was made for
             */
            day: string;
            gauge: components["schemas"]["GaugeBody"];
            key: string;
            kind_name: string;
            limbs: components["schemas"]["DrawnLimb"][];
            /** Format: double */
            minutes: number;
            note?: string;
            /** Format: double */
            reach_cm: number;
            /**
             * Format: int64
             * @description of the map it rests on; it moves as answers are taken in
             */
            revision: number;
            safety: string[];
            season: string;
            steps: components["schemas"]["StepBody"][];
            tools: string[];
            /** @enum {string} */
            units: "metric" | "us";
        };
        HelperPageBody: {
            answers: components["schemas"]["HelperAnswer"][];
            /** Format: date-time */
            expires: string;
            page: components["schemas"]["HelperPage"];
        };
        HelperStepBody: {
            answer?: components["schemas"]["HelperAnswer"];
            /** Format: int64 */
            n: number;
            title: string;
        };
        HostMeta: {
            name: string;
            /** @enum {string} */
            slug: "juniper" | "hawthorn" | "wild-apple" | "wild-cherry" | "poplar";
        };
        "Import-archiveResponse": {
            slugs: string[];
        };
        KeptTap: {
            at: string;
            /** @description the phone's own: one sent twice counts once */
            id: string;
            lateral: string;
            /** Format: int64 */
            left: number;
            limb: string;
            /** Format: int64 */
            pass: number;
            /** Format: int64 */
            season: number;
            /** Format: int64 */
            taken: number;
            /** @description the tap it takes back */
            undoes?: string;
        };
        Key: {
            code: string;
            limb: string;
        };
        KindCrop: {
            /** Format: double */
            coming_kg: number;
            kind: string;
            kind_name: string;
            /** Format: double */
            need_kg: number;
            /** @description how many trees of it would do */
            says?: string;
            /** @description where there is too much: which tree to thin hardest */
            thin_first: components["schemas"]["ThinFirst"][];
            weeks: components["schemas"]["WeekBody"][];
        };
        KindMeta: {
            bearing: string;
            bearing_means: string;
            company?: string;
            /** Format: int64 */
            difficulty: number;
            /** @description growing season of its first fruit, from the weakest stock to the strongest */
            first_crop: string;
            forms: string[];
            group: string;
            habits: string[];
            /** Format: int64 */
            hours_a_year: number;
            low_tree: string;
            low_tree_note?: string;
            name: string;
            self_fertile: string;
            /** @description what its trees catch */
            sicknesses: components["schemas"]["SicknessMeta"][];
            sizes: components["schemas"]["SizeMeta"][];
            slug: string;
            stage_reading: string;
            wood: string;
            /** Format: int64 */
            years_lived: number;
        };
        KnownDay: {
            /** Format: date */
            date: string;
            /** Format: double */
            gust_kmh: number;
            /** Format: double */
            rain_mm: number;
            /** @enum {string} */
            source: "station" | "file" | "own";
            /** Format: double */
            tmax: number;
            /** Format: double */
            tmin: number;
        };
        LateralCount: {
            id: string;
            /** Format: int64 */
            left: number;
            /** Format: int64 */
            taken: number;
        };
        LeftBody: {
            /**
             * Format: double
             * @description of the year after, of a full one; 0 unknown
             */
            bloom: number;
            /** Format: int64 */
            fruit: number;
            /** Format: double */
            kg: number;
            /** Format: double */
            mass_g: number;
            name: string;
            /** @description of the year after */
            says: string;
        };
        LeftOutBody: {
            code: string;
            costs: string;
            title: string;
        };
        LevelBody: {
            /** Format: double */
            account: number;
            chosen: boolean;
            /** Format: int64 */
            cuts: number;
            /** Format: double */
            limit: number;
            /**
             * Format: double
             * @description weight of what is left, the later in the order the less
             */
            unsolved: number;
        };
        Limb: {
            /** Format: double */
            angle_base_deg?: number;
            /** Format: double */
            angle_tip_deg?: number;
            /**
             * Format: double
             * @description along the parent from its base; a stem: height of its base
             */
            attach_cm?: number;
            /** Format: double */
            azimuth_deg?: number;
            /**
             * Format: double
             * @description length without leaf or bud from the base
             */
            bare_cm?: number;
            buds?: components["schemas"]["SeenBud"][];
            /** @enum {string} */
            device?: "none" | "bend" | "weight" | "spreader" | "tie";
            /**
             * Format: double
             * @description at the base
             */
            diameter_mm?: number;
            /** Format: double */
            fruit_count?: number;
            gaps?: components["schemas"]["Stretch"][];
            id: string;
            /** Format: double */
            length_cm?: number;
            marks?: components["schemas"]["Mark"][];
            note?: string;
            /**
             * Format: double
             * @description frozen own leaf, written by the core
             */
            own_d2_mm2?: number;
            /** @description empty: a stem from the ground */
            parent?: string;
            /** @description extension per season, base to tip */
            rings_cm?: number[];
            /**
             * @description of all values not named in sources; empty: measured
             * @enum {string}
             */
            source?: "measured" | "estimated" | "predicted";
            /** @description source by field name, where it differs */
            sources?: {
                [key: string]: string;
            };
            /** @description a water sprout */
            sprout?: boolean;
            spurs?: components["schemas"]["SpurCount"][];
            state?: components["schemas"]["State"];
            sucker?: boolean;
            tags?: ("keep" | "favour" | "bark" | "leader" | "set" | "fresh")[];
            /** @enum {string} */
            tip?: "growing" | "cut" | "dead";
            /** Format: double */
            tip_diameter_mm?: number;
            /**
             * Format: double
             * @description bearing it is wanted to grow toward: buds and side shoots that look there are chosen first
             */
            toward_deg?: number;
            wounds?: components["schemas"]["Wound"][];
            /**
             * Format: double
             * @description stems only: east of the origin
             */
            x_cm?: number;
            /**
             * Format: double
             * @description stems only: north of the origin
             */
            y_cm?: number;
        };
        LimbCount: {
            /** Format: int64 */
            clusters?: number;
            /** Format: int64 */
            fruit: number;
            limb: string;
            /** Format: double */
            per_cluster?: number;
        };
        LimbCrop: {
            /** Format: int64 */
            fruit: number;
            /** Format: double */
            kg: number;
            /**
             * Format: double
             * @description of the limb as it stands; 0 unknown
             */
            light: number;
            limb: string;
            /** Format: int64 */
            season: number;
        };
        LimbMap: {
            at: string;
            /**
             * Format: int64
             * @description the revision it was made from; 0: none
             */
            based_on: number;
            /** @enum {string} */
            cause: "sketch" | "corrected" | "marked" | "cut" | "import" | "undo" | "grown";
            /**
             * Format: date
             * @description the day it shows the tree on
             */
            date: string;
            map: components["schemas"]["Doc"];
            note?: string;
            /** Format: int64 */
            revision: number;
        };
        LimbStateMeta: {
            job: string;
            /** @enum {string} */
            kind: "undecided" | "temporary" | "successor" | "one-season" | "protected" | "tied" | "extending" | "finished" | "left-to-bend";
            name: string;
        };
        LimbYear: {
            counted: boolean;
            /**
             * Format: double
             * @description at its base
             */
            d_mm: number;
            /** Format: date */
            date: string;
            /**
             * Format: double
             * @description spurs and fruit buds, counted or expected
             */
            fruit_buds_per_m: number;
            /** Format: double */
            laterals_per_m: number;
            /** Format: double */
            length_cm: number;
            /**
             * Format: double
             * @description grown in the last season
             */
            ring_cm: number;
            /**
             * Format: double
             * @description of its end, from the vertical
             */
            tip_deg: number;
        };
        LoadBody: {
            /** Format: int64 */
            break_fruit: number;
            /** Format: int64 */
            fruit: number;
            /** Format: int64 */
            fruit_after_shortening?: number;
            limb: string;
            /** Format: double */
            limit_mpa: number;
            /** Format: double */
            load_kg: number;
            /** Format: int64 */
            prop_at_cm: number;
            prop_holds: boolean;
            /** Format: int64 */
            remove: number;
            /** Format: int64 */
            safe_fruit: number;
            /** @description what would save it, the best first */
            saves: string[];
            /** Format: int64 */
            shorten_to_cm?: number;
            /** @enum {string} */
            state: "ok" | "watch" | "over" | "danger";
            state_says: string;
            /** Format: double */
            strength_share: number;
            /** Format: double */
            stress_mpa: number;
            /** Format: double */
            tip_sag_cm: number;
            /** Format: double */
            use: number;
            warnings: string[];
        };
        LossBody: {
            /** Format: double */
            points: number;
            term: string;
        };
        MadeCut: {
            cut: components["schemas"]["CutAt"];
            /**
             * Format: double
             * @description of the wound, by caliper; 0: as the map has it
             */
            d_mm?: number;
        };
        MainLimbsBody: {
            candidates: components["schemas"]["CandidateBody"][];
            chosen: string[];
            /** Format: double */
            fill_azimuth_deg?: number;
            loses?: components["schemas"]["LossBody"][] | null;
            /** Format: int64 */
            missing: number;
            runner_up?: string[] | null;
            says: string[];
            /** Format: double */
            score?: number;
            /** @enum {string} */
            verdict: "chosen" | "too_few" | "none";
            /** Format: double */
            widest_gap_deg?: number;
        };
        MapFile: {
            /** Format: int64 */
            based_on: number;
            /** @enum {string} */
            format: "json" | "csv";
            text: string;
        };
        Mark: {
            /**
             * @description only with diseased
             * @enum {string}
             */
            agent?: "canker" | "blight" | "rot" | "unknown";
            /**
             * Format: double
             * @description distance from the limb's base, cm
             */
            at_cm: number;
            /** @enum {string} */
            kind: "dead" | "damaged" | "diseased" | "borer" | "rubbing" | "weak";
            /** @description only with rubbing: the limb it rubs on */
            other?: string;
        };
        Meta: {
            choices: components["schemas"]["ChoiceMeta"][];
            demo: boolean;
            forms: components["schemas"]["FormMeta"][];
            /** @description what outside a plot carries sickness to its trees */
            hosts: components["schemas"]["HostMeta"][];
            kinds: components["schemas"]["KindMeta"][];
            limb_states: components["schemas"]["LimbStateMeta"][];
            presets: components["schemas"]["PresetMeta"][];
            sources: components["schemas"]["SourceMeta"][];
            stages: components["schemas"]["NamedMeta"][];
            tasks: components["schemas"]["TaskMeta"][];
            /** Format: date */
            today: string;
            vigour_classes: ("very-dwarfing" | "dwarfing" | "semi-dwarfing" | "semi-vigorous" | "vigorous")[];
        };
        NamedMeta: {
            name: string;
            sentence?: string;
            slug: string;
        };
        NearClimate: {
            /** Format: double */
            distance_km: number;
            /** Format: double */
            lat_diff_deg: number;
            /** @description of the other hemisphere, its months turned by half a year */
            mirrored: boolean;
            site: components["schemas"]["Site"];
        };
        Need: {
            /** Format: double */
            fresh_kg: number;
            /**
             * Format: double
             * @description 0: one litre
             */
            jar_litre?: number;
            /** Format: double */
            jars?: number;
            kind: string;
            /** @enum {string} */
            size?: "small" | "medium" | "large";
        };
        NightBody: {
            ahead: boolean;
            /** Format: double */
            alive: number;
            /** Format: date */
            date: string;
            /** Format: double */
            killed: number;
            /** Format: double */
            tmin_c: number;
        };
        NodeBody: {
            /** Format: int64 */
            age: number;
            /** Format: double */
            at_cm: number;
            /**
             * Format: double
             * @description where it faces, seen from above
             */
            bearing_deg: number;
            /** @enum {string} */
            class?: "upper" | "under" | "outward" | "inward" | "right" | "left";
            expected: string;
            /** Format: double */
            height_cm: number;
            /** @enum {string} */
            kind: "leaf" | "flower" | "mixed" | "triple" | "double" | "spur" | "latent" | "blind";
            known: boolean;
            /**
             * Format: int64
             * @description 0: the end bud
             */
            n: number;
            /**
             * Format: double
             * @description -1 down to 1 up
             */
            rise: number;
            /** Format: double */
            roll_deg: number;
            seen: boolean;
            sure: boolean;
        };
        NotchBody: {
            buds: components["schemas"]["StemBudBody"][];
            /** Format: int64 */
            eligible: number;
            marks: components["schemas"]["NotchMark"][];
            says: string[];
            /** Format: int64 */
            short: number;
            /** @enum {string} */
            state: "wait" | "open" | "last_days" | "closed";
        };
        NotchMark: {
            /** Format: double */
            at_cm: number;
            bud: string;
        };
        OffBody: {
            /** @enum {string} */
            act: "off" | "bring-back";
            /** Format: double */
            deg: number;
            limb: string;
        };
        OpeningBody: {
            /** Format: double */
            from_cm: number;
            /** Format: double */
            sill_cm: number;
            /** Format: double */
            to_cm: number;
            /**
             * Format: double
             * @description 0: not told
             */
            top_cm: number;
        };
        Orchard: {
            /**
             * @description how much wind the limbs meet
             * @enum {string}
             */
            exposed?: "sheltered" | "usual" | "exposed";
            readonly id: string;
            name: string;
            /** @description what the household wants of each kind */
            needs?: components["schemas"]["Need"][];
            plot: components["schemas"]["Plot"];
            /** @description how wet growing seasons were; those not named: as usual */
            rain?: components["schemas"]["SeasonRain"][];
            /**
             * Format: int64
             * @description moves with every write to anything in the orchard
             */
            readonly revision: number;
            school: components["schemas"]["School"];
            /** @description none until the place is set up */
            site?: components["schemas"]["Site"];
            /** @description where the normals come from, as a person may read it */
            site_from?: string;
            readonly slug: string;
            /**
             * Format: double
             * @description the snow a person counts on, mm of water; 0: none
             */
            snow_kg_m2?: number;
            /** @enum {string} */
            units: "metric" | "us";
            /** Format: int64 */
            readonly version: number;
            /**
             * @description what counts more where a cut costs fruit; absent: both
             * @enum {string}
             */
            weighs?: "structure" | "fruit";
        };
        OrchardBody: {
            orchard: components["schemas"]["Orchard"];
            /** @description choices whose default the place moves */
            site_defaults: {
                [key: string]: string;
            };
            warnings: components["schemas"]["FieldError"][];
        };
        OrchardInputBody: {
            orchard: components["schemas"]["Orchard"];
            /**
             * Format: int64
             * @description the version the edit is based on
             */
            version: number;
        };
        OtherBody: {
            /** Format: date */
            closes?: string;
            kind: string;
            never: boolean;
            /** Format: date */
            opens?: string;
            preset: string;
            says: string;
        };
        OtherWindowBody: {
            /** Format: date */
            closes?: string;
            /** @enum {string} */
            mark: "winter" | "bloom" | "summer" | "thin" | "pick" | "care";
            /** @description it would not do the job */
            never: boolean;
            /** Format: date */
            opens?: string;
            says: string;
            task_id: string;
            tree_id: string;
        };
        OutUp: {
            /** Format: double */
            out: number;
            /** Format: double */
            up: number;
        };
        OutcomeBody: {
            /** @description at the next three winters */
            flower_buds: number[];
            /** @description at the next three winters */
            heights_cm: number[];
            /** @description the tree next winter: stations of each limb, five numbers each */
            lines: (number[] | null)[];
            /** Format: double */
            longest_shoot_cm: number;
            /** Format: double */
            mean_shoot_cm: number;
            name: string;
            /**
             * Format: int64
             * @description by the next winter
             */
            new_shoots: number;
            /**
             * Format: double
             * @description above reach at the next winter
             */
            over_reach_cm: number;
            says: string;
            /** Format: int64 */
            water_sprouts: number;
        };
        Outline: {
            /** Format: int64 */
            age_years: number;
            /** Format: double */
            height_m: number;
            /** Format: double */
            width_m: number;
        };
        OutlineBody: {
            /** Format: int64 */
            age: number;
            points: components["schemas"]["OutUp"][];
        };
        OverlapRow: {
            /** Format: int64 */
            days: number;
            enough: boolean;
            /** @description code of the partner */
            partner: string;
        };
        OwnDay: {
            /** Format: date */
            date: string;
            /** Format: double */
            rain_mm: number;
            /** Format: double */
            tmax_c: number;
            /** Format: double */
            tmin_c: number;
        };
        OwnTask: {
            /**
             * Format: date
             * @description absent when it hangs on a stage
             */
            date?: string;
            /**
             * Format: int64
             * @description 0: once
             */
            every_days?: number;
            /**
             * Format: int64
             * @description length of its window
             */
            for_days?: number;
            readonly id: string;
            /** Format: double */
            minutes?: number;
            /** Format: int64 */
            offset_days?: number;
            /** @description stage it follows; needs a tree */
            stage?: string;
            title: string;
            tree_id?: string;
            /** Format: int64 */
            readonly version: number;
        };
        Pass: {
            /** Format: date */
            day: string;
            /** @description of the entry, the phone's own */
            id: string;
            /** @description no limb is left to thin */
            last: boolean;
            limb: string;
            /** Format: double */
            minutes?: number;
            /** Format: int64 */
            pass: number;
            reason?: string;
            /** Format: int64 */
            season: number;
            /** @enum {string} */
            way?: "hand" | "pole" | "shears";
        };
        Passes: {
            /** Format: double */
            cm: number;
            name: string;
            yes: boolean;
        };
        PassphraseInputBody: {
            passphrase: string;
        };
        PastBody: {
            /** Format: date */
            date?: string;
            /** @description read back from the rings of the map shown: no map of that year is kept */
            from_rings: boolean;
            /** Format: double */
            height_cm: number;
            /** Format: int64 */
            limbs: number;
            /** @description stations of each limb, five numbers each */
            lines: (number[] | null)[];
            /** Format: int64 */
            revision?: number;
            /**
             * Format: int64
             * @description the growth year before which it stood so
             */
            year: number;
        };
        PastYearBody: {
            /** Format: double */
            account: number;
            /**
             * Format: double
             * @description at its winter, where it was mapped
             */
            height_cm?: number;
            /** Format: double */
            minutes: number;
            /** Format: int64 */
            year: number;
        };
        Person: {
            /** @description days kept free of work */
            away?: components["schemas"]["Away"][];
            /**
             * Format: double
             * @description own ceiling where a ladder is accepted
             */
            ceiling_cm: number;
            /**
             * Format: double
             * @description fingertip height with the arm raised, standing; 0 unknown
             */
            fingertip_cm: number;
            /**
             * Format: double
             * @description width of the closed hand with the thumb laid along the shoot, or of the hand stretched (over 16: halved); 0 unknown
             */
            hand_span_cm: number;
            /** @description hours free on each weekday, Sunday first */
            hours_a_week: [
                number,
                number,
                number,
                number,
                number,
                number,
                number
            ] | null;
            readonly id: string;
            name: string;
            tools: components["schemas"]["Tool"][];
            /** Format: int64 */
            readonly version: number;
        };
        PersonEditBody: {
            person: components["schemas"]["Person"];
            /** Format: int64 */
            version: number;
        };
        PieceBody: {
            /** Format: date */
            date: string;
            /** Format: int64 */
            minutes: number;
        };
        PlaceBody: {
            cold: string;
            first_autumn_50?: string;
            humid_summer: boolean;
            last_spring_50?: string;
            /**
             * Format: double
             * @description how far the frost dates moved its temperatures
             */
            shift_c: number;
            sight?: components["schemas"]["SightBody"];
            site: components["schemas"]["Site"];
            warnings: components["schemas"]["FieldError"][];
            /** Format: double */
            wet_dormancy: number;
            wetness: string;
        };
        PlaceFrom: {
            /** @description the climate to start from */
            base: components["schemas"]["Site"];
            /** @description twelve months with a line of names; laid over the climate */
            csv?: string;
            /**
             * Format: double
             * @description height above sea; temperatures follow
             */
            elev_m?: number;
            /** @description MM-DD, every other year */
            first_autumn_frost?: string;
            /** @description MM-DD, every other year */
            last_spring_frost?: string;
            /** Format: double */
            lat: number;
            /**
             * Format: double
             * @description the whole year so many days later than in the climate
             */
            later_days?: number;
            /** Format: double */
            lon: number;
            name: string;
            /** @description tell what a grower sees of the year there */
            tell?: boolean;
            /**
             * @description in which it is told; absent: metric
             * @enum {string}
             */
            units?: "metric" | "us";
            /** Format: int64 */
            utc_offset_min: number;
            /**
             * Format: double
             * @description the whole year so many degrees warmer
             */
            warmer_c?: number;
        };
        PlacedFruit: {
            /** Format: double */
            at_cm: number;
            keep: boolean;
            limb: string;
        };
        PlanBody: {
            /** Format: date */
            autumn_equinox: string;
            bands: components["schemas"]["Band"][];
            /** Format: date */
            day: string;
            /**
             * Format: double
             * @description length of the day shown
             */
            day_hours: number;
            /**
             * Format: date
             * @description first day of the rail
             */
            from: string;
            frost: components["schemas"]["FrostTick"][];
            /** Format: double */
            hours_a_week: number;
            local_rules: string;
            next_says: string;
            /** @description the orchard's own jobs */
            orchard: components["schemas"]["Bar"][];
            reach_known: boolean;
            /** Format: double */
            reach_m: number;
            /** @description what the reach line is made from */
            reach_says: string;
            /** Format: int64 */
            season: number;
            /** @description what of the orchard cannot be read, and is left out */
            set_aside: string[];
            south: boolean;
            /** Format: date */
            spring_equinox: string;
            stage_says: string;
            /** Format: date */
            summer_solstice: string;
            /** Format: date */
            to: string;
            /** Format: date */
            today: string;
            trees: components["schemas"]["TreeSummary"][];
            /** Format: date */
            winter_solstice: string;
        };
        PlanDayBody: {
            /**
             * Format: int64
             * @description minutes of work set on it
             */
            chosen: number;
            /** Format: date */
            date: string;
            /**
             * Format: int64
             * @description minutes there are
             */
            has: number;
            /** @description the forecast leaves no open job fit to be done on it */
            lost: boolean;
        };
        PlantingBody: {
            /** @enum {string} */
            action: "cut" | "leave";
            bud?: string;
            buds: components["schemas"]["StemBudBody"][];
            /** Format: int64 */
            buds_below?: number;
            buy: components["schemas"]["CheckLine"][];
            checks: components["schemas"]["CheckLine"][];
            /** Format: double */
            cut_cm?: number;
            done: boolean;
            /** Format: date */
            from?: string;
            /** Format: double */
            graft_cm: number;
            /** Format: double */
            height_cm: number;
            /** Format: double */
            high_cm: number;
            /** Format: double */
            low_cm: number;
            /** Format: double */
            nominal_cm: number;
            /** @description what to look for in a nursery tree */
            pick: string[];
            says: string[];
            task?: string;
            /** Format: date */
            to?: string;
            waits?: string;
        };
        Plot: {
            features: components["schemas"]["Feature"][];
            /** @description what stands outside and carries sickness to the trees */
            hosts?: ("juniper" | "hawthorn" | "wild-apple" | "wild-cherry" | "poplar")[];
            /**
             * Format: double
             * @description compass bearing of the plan's upward direction
             */
            north_deg: number;
            /** @description corners in order, metres; empty: drawn round the trees */
            outline: components["schemas"]["Point"][];
            /**
             * Format: double
             * @description 0 when trees stand in no rows
             */
            row_distance_m: number;
        };
        PlotYear: {
            /** Format: int64 */
            fruit: number;
            /** Format: double */
            fruit_per_m2: number;
            /** Format: double */
            kg: number;
            /**
             * Format: double
             * @description of the plot; 0 where no outline is drawn
             */
            kg_per_m2: number;
            /**
             * Format: int64
             * @description fruit left by thinning
             */
            left: number;
            /**
             * Format: double
             * @description mean of a fruit; 0 unknown
             */
            mass_g: number;
            /** Format: int64 */
            season: number;
            /**
             * Format: double
             * @description fruit before thinning, of the trees that were counted
             */
            set: number;
            /**
             * Format: int64
             * @description with a harvest on record
             */
            trees: number;
        };
        Point: {
            /** Format: double */
            x: number;
            /** Format: double */
            y: number;
        };
        Points: {
            /** Format: double */
            points: number;
            rule: string;
            says: string;
        };
        PresetMeta: {
            name: string;
            sentence: string;
            slug: string;
            values: {
                [key: string]: string;
            };
        };
        Problem: {
            /** @description of a clash: the document as it now stands */
            current?: unknown;
            /**
             * Format: int64
             * @description of a clash: the version that stands, to build on
             */
            current_version?: number;
            detail?: string;
            errors?: components["schemas"]["FieldError"][];
            /**
             * Format: int64
             * @description of a clash: the version the edit was based on
             */
            given_version?: number;
            /** Format: int64 */
            status: number;
            title: string;
            type: string;
        };
        QuestionBody: {
            asks: string;
            /** @description how to look */
            how?: string;
            slug: string;
        };
        QuickBody: {
            edits: components["schemas"]["Edit"][];
            faults: components["schemas"]["Fault"][];
            reads: components["schemas"]["Read"][];
        };
        QuickRequestBody: {
            line: string;
            /** @description the limb in hand */
            selected?: string;
        };
        Read: {
            /** Format: int64 */
            end: number;
            field: string;
            /** Format: int64 */
            start: number;
            text?: string;
            /** Format: double */
            value: number;
        };
        ReplaceBody: {
            /**
             * Format: double
             * @description of all care of this tree over ten years
             */
            keep_hours: number;
            /** Format: double */
            keep_kilos: number;
            /**
             * Format: double
             * @description of a new one over the same years
             */
            new_hours: number;
            /** Format: double */
            new_kilos: number;
            says: string;
            /** Format: int64 */
            years_to_full_crop: number;
        };
        Revision: {
            at: string;
            /**
             * Format: int64
             * @description the revision it was made from; 0: none
             */
            based_on: number;
            /** @enum {string} */
            cause: "sketch" | "corrected" | "marked" | "cut" | "import" | "undo" | "grown";
            /**
             * Format: date
             * @description the day it shows the tree on
             */
            date: string;
            note?: string;
            /** Format: int64 */
            revision: number;
        };
        Rig: {
            /** Format: double */
            after_deg?: number;
            /**
             * Format: double
             * @description where the limb shall stand at last
             */
            aim_deg?: number;
            /** @description what it is fixed to: trunk, peg, wire, stake, or another limb's id */
            anchor?: string;
            /** Format: double */
            at_cm?: number;
            /** Format: double */
            before_deg?: number;
            /** Format: double */
            d_mm?: number;
            /** @enum {string} */
            device: "tie" | "spreader" | "weight" | "peg_tie" | "clothespin" | "notched_stick" | "tie_up" | "stake" | "wire";
            /** @description the device's own name, kept until it is off */
            id: string;
            /**
             * Format: double
             * @description of the stick or cord, as cut
             */
            length_cm?: number;
            /** @description the limb it holds; empty: the tree */
            limb?: string;
            /**
             * Format: double
             * @description inner width of the loop
             */
            loop_mm?: number;
            /**
             * Format: double
             * @description of a weight
             */
            mass_kg?: number;
            /** @enum {string} */
            material?: "stretch-tape" | "jute" | "cloth" | "cord" | "wood" | "bamboo" | "metal";
            /**
             * Format: double
             * @description of a peg, from the trunk
             */
            peg_cm?: number;
        };
        RigAct: {
            /** @enum {string} */
            act: "on" | "look" | "off";
            /** Format: double */
            after_deg?: number;
            /**
             * Format: double
             * @description where the limb shall stand at last
             */
            aim_deg?: number;
            /** @description what it is fixed to: trunk, peg, wire, stake, or another limb's id */
            anchor?: string;
            /** Format: double */
            at_cm?: number;
            /** Format: double */
            before_deg?: number;
            /** Format: double */
            d_mm?: number;
            /** @enum {string} */
            device: "tie" | "spreader" | "weight" | "peg_tie" | "clothespin" | "notched_stick" | "tie_up" | "stake" | "wire";
            /**
             * @description of a look
             * @enum {string}
             */
            found?: "sits" | "loosened" | "moved" | "renewed" | "tight";
            /** @description the device's own name, kept until it is off */
            id: string;
            /**
             * Format: double
             * @description of the stick or cord, as cut
             */
            length_cm?: number;
            /** @description the limb it holds; empty: the tree */
            limb?: string;
            /**
             * Format: double
             * @description inner width of the loop
             */
            loop_mm?: number;
            /**
             * Format: double
             * @description of a weight
             */
            mass_kg?: number;
            /** @enum {string} */
            material?: "stretch-tape" | "jute" | "cloth" | "cord" | "wood" | "bamboo" | "metal";
            /**
             * Format: double
             * @description of a peg, from the trunk
             */
            peg_cm?: number;
            /**
             * Format: double
             * @description of one taken off: where the limb came to rest
             */
            sprang_to_deg?: number;
        };
        RigBody: {
            checks: string[];
            code: string;
            /** Format: int64 */
            days_left: number;
            /** @description a look is due */
            due: boolean;
            looks: string[];
            /** @enum {string} */
            loop_state?: "ok" | "soon" | "tight";
            name: string;
            /** Format: date */
            off: string;
            /** Format: date */
            on: string;
            over: boolean;
            /** Format: date */
            renew_by?: string;
            rig: components["schemas"]["Rig"];
            says: string;
            stays: boolean;
            /** Format: date */
            test?: string;
            tree_id: string;
            warnings: string[];
        };
        RigDone: {
            act: components["schemas"]["RigAct"];
            /** Format: double */
            minutes?: number;
            note?: string;
            reason?: string;
            who?: string;
        };
        RightBody: {
            /** Format: date */
            as_of: string;
            rows: components["schemas"]["RightRowBody"][];
            says: string;
            /** Format: int64 */
            season: number;
        };
        RightRowBody: {
            /**
             * Format: int64
             * @description days later than said; less than 0: earlier
             */
            days_late: number;
            /** @enum {string} */
            group: "rest" | "bloom" | "fruit" | "ripe";
            inside: boolean;
            name: string;
            /** Format: date */
            seen: string;
            /** Format: int64 */
            span_early: number;
            /** Format: int64 */
            span_late: number;
            stage: string;
        };
        Says: {
            anchor?: string;
            choice?: string;
            /** Format: date */
            day?: string;
            /** Format: double */
            number?: number;
            rule: string;
            says: string;
            /** Format: double */
            threshold?: number;
            unit?: string;
            value?: string;
        };
        School: {
            advice: components["schemas"]["Advice"][];
            /** @description choice key to value slug */
            own: {
                [key: string]: string;
            };
            /** @description slug of a preset */
            preset: string;
        };
        SeasonBody: {
            chill: components["schemas"]["ChillBody"];
            code: string;
            /** @description the count that frost asks for */
            count?: components["schemas"]["SeasonCountBody"];
            /** Format: date */
            day: string;
            /**
             * Format: date
             * @description first day of the rail
             */
            from: string;
            frost: components["schemas"]["FrostBody"];
            fruit: components["schemas"]["FruitCurveBody"];
            /** @description what the tree's own past taught */
            habit?: string;
            kind_name: string;
            /**
             * Format: date
             * @description last day whose weather is known or forecast
             */
            known?: string;
            name?: string;
            /** @description how right the forecast of last season was */
            right?: components["schemas"]["RightBody"];
            says: string[];
            /** Format: int64 */
            season: number;
            /** @description stages that can be seen, the next ones first to be told */
            see: components["schemas"]["SeeBody"][];
            stages: components["schemas"]["StageRowBody"][];
            /** Format: date */
            to: string;
            tree_id: string;
            warmth: components["schemas"]["WarmthBody"];
        };
        SeasonCountBody: {
            /** Format: date */
            closes: string;
            /** Format: double */
            minutes: number;
            says: string;
            task_id: string;
        };
        SeasonRain: {
            /** @enum {string} */
            rain: "wet" | "dry";
            /** Format: int64 */
            season: number;
        };
        Second: {
            again: components["schemas"]["Again"][] | null;
            /** Format: double */
            ratio: number | null;
            verdict: string;
        };
        SeeBody: {
            /** Format: date */
            date?: string;
            /** @description what was logged, to be undone */
            entry_id?: string;
            /** @description how it looks */
            hint: string;
            name: string;
            stage: string;
            /** @enum {string} */
            state: "seen" | "likely" | "later" | "passed";
        };
        SeeKindBody: {
            /** @description how it looks */
            hint: string;
            says: string;
            stage: string;
            trees: components["schemas"]["SeeTreeBody"][];
        };
        SeeTreeBody: {
            code: string;
            id: string;
        };
        SeenBud: {
            /** Format: double */
            at_cm: number;
            /** @description the kind seen, where it differs from the one expected */
            kind?: string;
            /**
             * Format: double
             * @description 0 upper, 90 right, 180 under, 270 left; absent: only the kind was seen
             */
            roll_deg?: number;
        };
        SetDayInputBody: {
            /** Format: date */
            day?: string;
            task_id: string;
        };
        SetPassphraseInputBody: {
            passphrase: string;
        };
        ShadeBody: {
            by: string;
            /** @description of a tree */
            id?: string;
            /** Format: double */
            share: number;
        };
        SheetBody: {
            /**
             * Format: double
             * @description 0: all there is
             */
            asked_minutes: number;
            carry: components["schemas"]["CarryBody"][];
            cleaning: string;
            /** Format: date */
            day: string;
            /** @description which trees need one or a pole, and the same day without */
            ladder?: string;
            /** @description what does not fit the time, with what that costs */
            left: components["schemas"]["LeftOutBody"][];
            /** @description heights on the body of who works */
            marks: components["schemas"]["BodyMarkBody"][];
            /** Format: double */
            metres: number;
            /** Format: double */
            minutes: number;
            safety: string[];
            stops: components["schemas"]["StopBody"][];
        };
        SheetJobBody: {
            cautions: string[];
            /** Format: date */
            closes: string;
            /** Format: int64 */
            cuts: number;
            kind: string;
            /** Format: double */
            minutes: number;
            says: string;
            /** @description its steps are those of the tree's slip */
            slip: boolean;
            task: string;
            title: string;
            tools?: string;
        };
        ShootBody: {
            /** @description of one that sinks or struggles over the years it was mapped in */
            course?: string;
            /**
             * Format: double
             * @description where the part shown starts
             */
            from_cm: number;
            /** @description a bud's facing was seen, and the rest follow from it */
            known: boolean;
            /** Format: double */
            length_cm: number;
            limb: string;
            nodes: components["schemas"]["NodeBody"][];
            /**
             * Format: double
             * @description bearing that is outward here
             */
            outward_deg: number;
            rings: components["schemas"]["DrawnRing"][];
            /** @description what the bearing habit means for this shoot */
            says: string;
            /** @description how the limb stood and was clothed, year by year, the last first */
            years: components["schemas"]["LimbYear"][];
        };
        ShootWord: {
            /**
             * Format: double
             * @description as it would stand once bent
             */
            angle_deg?: number;
            limb: string;
            /** @enum {string} */
            mark?: "keep" | "doubt" | "out";
        };
        SicknessMeta: {
            name: string;
            /** @enum {string} */
            slug: "scab" | "mildew" | "fire-blight" | "rust" | "canker" | "leaf-curl" | "brown-rot" | "bacterial-canker" | "silver-leaf";
        };
        SightBody: {
            /** Format: date */
            apples_from?: string;
            /** Format: date */
            apples_to?: string;
            /** Format: date */
            bud_swell?: string;
            /** Format: date */
            first_frost?: string;
            /** Format: date */
            from: string;
            /** Format: date */
            last_frost?: string;
            /** Format: date */
            leaf_fall?: string;
            /** Format: date */
            peach_from?: string;
            /** Format: date */
            peach_to?: string;
            /** @description one sentence, in parts */
            says: components["schemas"]["SightPart"][];
            /** Format: date */
            summer_solstice: string;
            /** Format: date */
            to: string;
            /** Format: date */
            winter_solstice: string;
            winters: string;
        };
        SightPart: {
            /** @enum {string} */
            of?: "apples" | "peach" | "frost";
            text: string;
        };
        Site: {
            /** Format: double */
            elev_m: number;
            /** Format: double */
            lat: number;
            /** Format: double */
            lon: number;
            name: string;
            rain_days: [
                number,
                number,
                number,
                number,
                number,
                number,
                number,
                number,
                number,
                number,
                number,
                number
            ] | null;
            rain_mm: [
                number,
                number,
                number,
                number,
                number,
                number,
                number,
                number,
                number,
                number,
                number,
                number
            ] | null;
            sd_temp?: [
                number,
                number,
                number,
                number,
                number,
                number,
                number,
                number,
                number,
                number,
                number,
                number
            ] | null;
            slug: string;
            sun_frac: [
                number,
                number,
                number,
                number,
                number,
                number,
                number,
                number,
                number,
                number,
                number,
                number
            ] | null;
            tmax: [
                number,
                number,
                number,
                number,
                number,
                number,
                number,
                number,
                number,
                number,
                number,
                number
            ] | null;
            tmin: [
                number,
                number,
                number,
                number,
                number,
                number,
                number,
                number,
                number,
                number,
                number,
                number
            ] | null;
            /** Format: int64 */
            utc_offset_min: number;
            wind_kmh: [
                number,
                number,
                number,
                number,
                number,
                number,
                number,
                number,
                number,
                number,
                number,
                number
            ] | null;
        };
        SizeMeta: {
            class: string;
            /** Format: double */
            distance_m: number;
            /** Format: double */
            height_m: number;
            /** Format: double */
            spread_m: number;
        };
        SizePoint: {
            /** Format: int64 */
            fruit: number;
            /** Format: double */
            g: number;
        };
        SketchFrom: {
            /**
             * Format: int64
             * @description the revision in sight; 0 when there is none
             */
            based_on: number;
            sketch: components["schemas"]["SketchInput"];
        };
        SketchInput: {
            /** Format: int64 */
            age: number;
            /** @description of the scaffolds, as far as known */
            azimuths?: number[];
            /** @description planted for practice */
            faults?: string[];
            form: string;
            /** Format: double */
            height_cm: number;
            /**
             * Format: double
             * @description flat forms: the direction the arms run; 90 unless given
             */
            plane_az?: number;
            /** Format: int64 */
            scaffolds: number;
            season?: string;
            /** Format: int64 */
            seed: number;
            species: string;
            /** Format: double */
            spread_cm: number;
            /** Format: double */
            trunk_mm: number;
            /** Format: int64 */
            year?: number;
        };
        SkyBody: {
            /** Format: date */
            day: string;
            days: components["schemas"]["SkyDayBody"][];
            /** @description what the plot's own thermometer taught */
            differs?: string;
            /** @description for which work which days are fit; absent kinds of work are not due */
            fits: components["schemas"]["FitRowBody"][];
            /** @description when the station last answered well */
            got?: string;
            /** @description what the weather asks for */
            notices: string[];
            /** @description on what this stands */
            says: string;
            trouble?: string;
        };
        SkyDayBody: {
            /** Format: date */
            date: string;
            /** Format: double */
            gust_kmh: number;
            past: boolean;
            /**
             * Format: double
             * @description chance of rain, 0..1
             */
            pop: number;
            /** Format: double */
            rain_mm: number;
            /** @enum {string} */
            source: "station" | "file" | "own" | "forecast";
            /** Format: double */
            tmax_c: number;
            /** Format: double */
            tmin_c: number;
        };
        SlipBody: {
            /** @enum {string} */
            aim: "build" | "hold" | "restrain" | "restore" | "retire" | "";
            /** @description several small cuts on one limb against taking it out */
            bundles: string[];
            carried: components["schemas"]["CarriedBody"][];
            /** @description the school's choices behind it */
            choices: components["schemas"]["ChoiceBody"][];
            /** @description what is still to do once the cuts are made */
            clear_up: string[];
            /** Format: date */
            closes?: string;
            /**
             * Format: double
             * @description how far the map can be trusted, 0..1
             */
            confidence: number;
            /** @description what holds for every cut of it */
            cut_rule: string;
            /** @description it passed all end tests this half of the year */
            enough?: string;
            /** @description limbs whose bark comes into the sun */
            exposed: string[];
            /** @description of a young tree: which shoots become main limbs */
            forming: string[];
            fruit: components["schemas"]["SlipFruitBody"];
            gauge: components["schemas"]["GaugeBody"];
            /** @description shoots taken off that would make grafting wood */
            graft_wood: string[];
            /** @description the steps as a person works through them: one cut, or thin wood of one place and reason */
            groups: components["schemas"]["GroupBody"][];
            height: components["schemas"]["HeightBody"];
            jobs: string[];
            /** @description season and growth year */
            key: string;
            /** @description left by a person */
            left: components["schemas"]["CarriedBody"][];
            /** @description what more or less limit would come to */
            levels: components["schemas"]["LevelBody"][];
            look_first: components["schemas"]["CarriedBody"][];
            /** Format: double */
            minutes: number;
            /** @description what was not cut when it could be, and what is taken from that */
            missed?: string;
            /** @description of a summer slip: why the year has no cut of live wood in leaf */
            no_leaf_cut?: string;
            /**
             * Format: date
             * @description the first day of its window; absent where the year has no task for it
             */
            opens?: string;
            /** @description a forecast: of another season than the map's; nothing can be decided or logged */
            predicted: boolean;
            /** @description of a bearer on one-year wood: what is renewed this year */
            renewing: string[];
            /**
             * Format: int64
             * @description of the map it is made from
             */
            revision: number;
            safety: string[];
            says: string;
            /** @enum {string} */
            season: "dormant" | "summer";
            steps: components["schemas"]["StepBody"][];
            tools: string[];
            /** @description main limbs above reach: where each ends this year and when all is done */
            tops: components["schemas"]["TopBody"][];
            /** @description of a tree whose frame is built: what leads instead */
            training?: string;
            /** @description from which side an arm reaches the middle */
            way_in?: string;
        };
        SlipChoice: {
            /** @enum {string} */
            choice: "taken" | "left" | "moved" | "open";
            /** @description where it was moved to */
            cut?: components["schemas"]["CutAt"];
            /** @description what the step is for */
            findings: components["schemas"]["Key"][];
            /**
             * @description why it was left, as it was found at the tree
             * @enum {string}
             */
            seen?: "" | "not-found" | "dead";
            /** @description season and growth year of the slip: dormant-2027 */
            slip: string;
        };
        SlipCompareBody: {
            /**
             * Format: double
             * @description now
             */
            height_cm: number;
            outcomes: components["schemas"]["OutcomeBody"][];
            /** Format: double */
            reach_cm: number;
            /** @description what leaving it uncut costs in the year after */
            skipped: string;
            /** @description what the forecast cannot know */
            weak: string;
        };
        SlipDone: {
            /**
             * Format: int64
             * @description the revision of the map the slip was made from
             */
            based_on: number;
            cuts: components["schemas"]["MadeCut"][];
            /** @description the caller's own, so that one sent twice is logged once */
            id?: string;
            /** Format: double */
            minutes?: number;
            note?: string;
            /** @description why it was done outside its window */
            reason?: string;
            who?: string;
        };
        SlipFruitBody: {
            /**
             * Format: double
             * @description fruit buds left within reach
             */
            buds_left: number;
            /** Format: double */
            buds_taken: number;
            /**
             * Format: double
             * @description to hang this season, counted or expected; 0: not known
             */
            fruit: number;
            says: string;
            /**
             * Format: double
             * @description what it is to carry
             */
            wanted: number;
        };
        SlipYearsBody: {
            /** @description limbs that do not come to reach in these years, and why */
            cannot: string[];
            /** @description from which year on it is held, and what holding comes to; absent where it never is */
            held?: string;
            /**
             * Format: double
             * @description of the crown, a year
             */
            limit: number;
            /** @description at which yearly limit the tree would come to reach; absent where the chosen one brings it there */
            needs?: string;
            past: components["schemas"]["PastYearBody"][];
            /** Format: double */
            reach_cm: number;
            /** @description absent while the tree's frame is built */
            replace?: components["schemas"]["ReplaceBody"];
            weak: string;
            years: components["schemas"]["YearBody"][];
        };
        SourceCount: {
            /** Format: int64 */
            estimated: number;
            /** Format: int64 */
            measured: number;
            /** Format: int64 */
            predicted: number;
        };
        SourceMeta: {
            from: string;
            table: string;
        };
        SpotBody: {
            bud?: string;
            /** Format: double */
            buds_within: number;
            cut: components["schemas"]["CutAt"];
            /** Format: double */
            d_mm: number;
            /** Format: double */
            gain_cm: number;
            /** Format: double */
            height_cm: number;
            /** Format: double */
            score: number;
            /** Format: double */
            share: number;
            title: string;
            where: string;
        };
        SpotLightBody: {
            /** @description for form, distance and crop */
            means: string;
            /**
             * Format: double
             * @description a day over the growing season, at 1 m above the ground
             */
            sun_hours: number;
            /** Format: double */
            x: number;
            /** Format: double */
            y: number;
        };
        SpurCount: {
            /** Format: double */
            count: number;
            /** Format: double */
            from_cm: number;
            /** Format: double */
            to_cm: number;
        };
        StageRowBody: {
            /** @description the oldest first; the last is of the day shown */
            forecasts: components["schemas"]["ForecastBody"][];
            /** @enum {string} */
            group: "rest" | "bloom" | "fruit" | "ripe";
            name: string;
            /** @description it has passed, seen or not */
            past: boolean;
            /** Format: date */
            seen?: string;
            stage: string;
        };
        Standing: {
            /** Format: double */
            bloom: number;
            /** Format: double */
            load: number;
            /** @description after a freeze: its heavy year, left unthinned, would leave it little bloom for the next */
            rests_next: boolean;
            rule: string;
            state: string;
            /** Format: int64 */
            year: number;
        };
        State: {
            /**
             * Format: date
             * @description the day to look again
             */
            due?: string;
            /** @enum {string} */
            kind: "undecided" | "temporary" | "successor" | "one-season" | "protected" | "tied" | "extending" | "finished" | "left-to-bend";
            /** @description with successor: the limb named to follow */
            limb?: string;
            reason?: string;
        };
        StemBudBody: {
            /** Format: double */
            azimuth_deg: number;
            /** Format: double */
            height_cm: number;
            id: string;
        };
        StepBody: {
            /** @enum {string} */
            aim: "" | "sound" | "remove" | "lower" | "shorten" | "subdue" | "open" | "renew" | "calm" | "fruit" | "branch" | "extend" | "bear" | "spurs";
            bud?: string;
            /** Format: double */
            buds_within: number;
            cautions: string[];
            cost: string;
            /**
             * Format: double
             * @description toward the limit
             */
            counted: number;
            cut: components["schemas"]["CutAt"];
            /** Format: double */
            d_mm: number;
            findings: components["schemas"]["Key"][];
            /** @description thick, and never grows back: asked once more */
            forever: boolean;
            /** Format: double */
            gain_cm: number;
            /** @description above what its worker reaches from the ground */
            high: boolean;
            how: string;
            /**
             * Format: double
             * @description of the crown, before the stop line, once this step is made
             */
            left_after: number;
            letters: string[];
            /** @description its number on the drawing: that of its group */
            mark: string;
            /** Format: double */
            minutes: number;
            moved: boolean;
            /** Format: int64 */
            n: number;
            /** @description what it solves, in words */
            names: string[];
            /** @description its height on the body of who works */
            on_body?: string;
            /** @description x, y, z in cm */
            place: [
                number,
                number,
                number
            ];
            price: string[];
            /** @description other cuts that would do */
            runners: components["schemas"]["SpotBody"][];
            /**
             * Format: double
             * @description of the crown
             */
            share: number;
            /** @description of the tree, where to stand */
            side: string;
            /** @description how the limb would be spread in place of being cut, where its wood is young enough */
            spread?: string;
            /**
             * Format: double
             * @description bearing of where to stand
             */
            stand_deg: number;
            /** @enum {string} */
            state: "proposed" | "taken";
            /**
             * Format: int64
             * @description in the order of work
             */
            step: number;
            title: string;
            tool?: string;
            where: string;
            /** @description who took or moved it */
            who?: string;
            why: string;
        };
        StopBody: {
            /** @description what is cleaned before the next tree */
            clean?: string;
            code: string;
            /** @description what matters at it today */
            facts: string[];
            /** @enum {string} */
            health: "clean" | "sick" | "cankered";
            jobs: components["schemas"]["SheetJobBody"][];
            kind_name: string;
            mapped: boolean;
            /** Format: double */
            minutes: number;
            name: string;
            tree_id: string;
        };
        Stretch: {
            /** Format: double */
            from_cm: number;
            /** Format: double */
            to_cm: number;
        };
        TakeInInputBody: {
            /** @description which steps; none: all that were answered */
            steps: number[];
        };
        TalliesBody: {
            /** @description limbs already logged: a correction was written with the taps that came late */
            late: string[];
            tallies: components["schemas"]["Tally"][];
        };
        Tally: {
            laterals: components["schemas"]["LateralCount"][];
            /** Format: int64 */
            left: number;
            limb: string;
            /** Format: int64 */
            pass: number;
            /** Format: int64 */
            taken: number;
        };
        Tap: {
            /** @description the phone's own: one sent twice counts once */
            id: string;
            lateral: string;
            /** Format: int64 */
            left: number;
            limb: string;
            /** Format: int64 */
            pass: number;
            /** Format: int64 */
            taken: number;
            /** @description the tap it takes back */
            undoes?: string;
        };
        Taps: {
            /** Format: int64 */
            season: number;
            taps: components["schemas"]["Tap"][];
        };
        TaskBody: {
            cautions: string[];
            /** Format: date */
            closes: string;
            /** Format: date */
            closes_late: string;
            closes_says: string;
            code?: string;
            cut: boolean;
            grades: components["schemas"]["GradeBody"][];
            /** @enum {string} */
            group?: "now" | "closing" | "opening" | "wait" | "anytime";
            held: components["schemas"]["Says"][];
            id: string;
            instead?: string;
            /** @enum {string} */
            kind: "autumn-height-cut" | "bag" | "bend" | "carried-limbs" | "check-ties" | "choose-shoot" | "count-set" | "dormant-cut" | "frame-cut" | "frame-summer" | "frost-count" | "give-mulch" | "give-stake" | "give-wires" | "graft" | "graft-look" | "graft-wood" | "harvest" | "health-look" | "height-cut" | "leaves-off" | "limb-due" | "measure-height" | "notch-look" | "notching" | "own" | "paint" | "planting-cut" | "prop" | "release-test" | "repot" | "restraining-cut" | "scaffold-choice" | "second-look" | "sprout-visit" | "sprouts" | "stand-back" | "stored-look" | "strip-fruit" | "summer-cut" | "summer-shoots" | "take-off" | "thin" | "tie-arms" | "tools" | "unbag" | "young-care";
            kind_name?: string;
            /** @enum {string} */
            mark: "winter" | "bloom" | "summer" | "thin" | "pick" | "care";
            /** Format: double */
            minutes: number;
            minutes_estimated: boolean;
            minutes_says: string;
            /** Format: date */
            opens: string;
            /** Format: date */
            opens_early: string;
            opens_says: string;
            /** @description nothing is lost when it is left */
            optional?: boolean;
            others: components["schemas"]["OtherBody"][];
            reasons: components["schemas"]["Says"][];
            /** Format: int64 */
            season: number;
            /**
             * Format: date
             * @description the day it is planned for
             */
            set_for?: string;
            /** @description why that day */
            set_says?: string;
            /** Format: double */
            share?: number;
            short: string;
            /** @enum {string} */
            state: "opens" | "open" | "closing" | "waits" | "done" | "part" | "looked-nothing-needed" | "left" | "missed";
            /** @description of a cut on a tree without a limb map: what to look for, in the order of the work */
            steps?: string[];
            title: string;
            tree_id?: string;
            tree_name?: string;
            /** @description what went not as meant last time */
            trouble?: string;
            /** @description of a job due now: that its day is not fit, and the first that is */
            weather?: string;
        };
        TaskMeta: {
            cut: boolean;
            kind: string;
            mark: string;
            title: string;
        };
        ThinFirst: {
            code: string;
            why: string;
        };
        ThinOrNot: {
            /** Format: int64 */
            missing: number;
            /** Format: double */
            ratio: number | null;
            /** Format: int64 */
            remove: number;
            verdict: string;
        };
        Time: {
            /** Format: int64 */
            days_to_close: number | null;
            /** Format: int64 */
            days_to_open: number | null;
            /** Format: double */
            rate_mm_day: number | null;
            reason: string;
            state: string;
            warnings: string[] | null;
        };
        Tool: {
            /**
             * Format: double
             * @description thickest wood it takes; 0 unknown
             */
            max_mm: number;
            name: string;
        };
        TopBody: {
            /**
             * Format: double
             * @description 0: it goes whole
             */
            done_cm: number;
            /** @description x, y, z in cm: the highest point that stays this year */
            end: [
                number,
                number,
                number
            ];
            /** @description the limb that takes over this year */
            heir?: string;
            /** @description the limb that takes over when all is done */
            later?: string;
            limb: string;
            /** Format: double */
            now_cm: number;
            says: string;
            /**
             * Format: double
             * @description 0: it goes whole
             */
            this_cm: number;
        };
        TownBody: {
            /** @description ISO 3166, two letters */
            country: string;
            /** Format: double */
            lat: number;
            /** Format: double */
            lon: number;
            name: string;
        };
        TrainingBody: {
            /**
             * Format: int64
             * @description growing seasons begun; 99 when planting is unknown
             */
            age: number;
            bends: components["schemas"]["BendBody"][];
            /** Format: double */
            cap_cm: number;
            choice?: components["schemas"]["MainLimbsBody"];
            /** @description what is shortened before any limb is bent */
            even: string[];
            form: string;
            form_name: string;
            graft?: components["schemas"]["GraftBody"];
            /** @description on it and from it, the last first */
            grafts: components["schemas"]["GraftedBody"][];
            notch?: components["schemas"]["NotchBody"];
            outlines: components["schemas"]["OutlineBody"][];
            planting?: components["schemas"]["PlantingBody"];
            /** Format: double */
            reach_cm: number;
            rigs: components["schemas"]["RigBody"][];
            safety: string[];
            says: string[];
            /**
             * Format: int64
             * @description the year of its life in which its frame stands; 0: it is grown
             */
            stands: number;
            steps: components["schemas"]["FormStepBody"][];
            trials: components["schemas"]["TrialBody"][];
            wall?: components["schemas"]["WallBody"];
            /** @description what its owner says of its shoots, and of its buds this season */
            words: components["schemas"]["TrainingWords"];
        };
        TrainingWords: {
            buds: components["schemas"]["BudWord"][];
            marks: components["schemas"]["ShootWord"][];
            /**
             * Format: int64
             * @description in which the buds were seen
             */
            season?: number;
        };
        Tree: {
            /**
             * @description absent: decided from age and school
             * @enum {string}
             */
            aim?: "build" | "hold" | "restrain" | "restore" | "retire";
            /**
             * Format: double
             * @description how long an arm or rib shall be; 0: by kind and class
             */
            arm_cm?: number;
            /** @description planted as a bare whip */
            as_whip?: boolean;
            /** @description wish: bag its fruit */
            bag?: boolean;
            /** @enum {string} */
            bloom?: "early" | "mid" | "late";
            /** @enum {string} */
            chill?: "low" | "mid" | "high";
            /** @enum {string} */
            class?: "very-dwarfing" | "dwarfing" | "semi-dwarfing" | "semi-vigorous" | "vigorous";
            /** @enum {string} */
            class_source?: "label" | "memory" | "guess";
            /** @description label on its stake, as C1; empty on a new tree: the next free one */
            code: string;
            cultivar?: string;
            /** @description a neighbour's tree, noted as a partner in bloom */
            elsewhere?: boolean;
            /** @description its size was estimated, not measured */
            estimated?: boolean;
            /** @enum {string} */
            form?: "open-vase" | "low-bush" | "modified-leader" | "central-leader" | "wire-tiers" | "flat-fan" | "step-over" | "shrub" | "late-leader" | "slim-leader" | "four-arm";
            /** Format: date */
            gone?: string;
            /** @enum {string} */
            gone_why?: "lost" | "moved" | "removed" | "mistake";
            /**
             * @description wish: bud or graft
             * @enum {string}
             */
            graft?: "summer" | "spring";
            /** @description wish: cut grafting wood */
            graft_wood?: boolean;
            /** @enum {string} */
            ground?: "soil" | "wall" | "tub";
            /**
             * @description absent: the kind's
             * @enum {string}
             */
            habit?: "upright" | "spreading" | "weeping";
            /** @enum {string} */
            harvest?: "early" | "mid" | "late";
            /** Format: double */
            height_m?: number;
            /** @description trees planted in one hole share this mark and are cut as one */
            hole?: string;
            readonly id: string;
            /** @description slug of a kind */
            kind: string;
            /** @description wish: leaves off colouring fruit */
            leaves_off?: boolean;
            mulch?: boolean;
            /** @description the owner's own name for it */
            name?: string;
            notes?: string;
            /** @description school choices of this tree */
            own?: {
                [key: string]: string;
            };
            /**
             * Format: date
             * @description day of planting; absent when unknown
             */
            planted?: string;
            /** @description sicknesses it resists, as its label or its years say */
            resists?: ("scab" | "mildew" | "fire-blight" | "rust" | "canker" | "leaf-curl" | "brown-rot" | "bacterial-canker" | "silver-leaf")[];
            rootstock?: string;
            scaffolds_mm?: number[] | null;
            /**
             * @description as its label says; absent: as its kind
             * @enum {string}
             */
            self_fertile?: "yes" | "no";
            /** Format: double */
            spread_m?: number;
            stake?: boolean;
            suckering?: boolean;
            /**
             * Format: double
             * @description own count of the sun on its spot on a clear day in the growing season; 0 not counted
             */
            sun_hours?: number;
            /** @description wish: thin a kind that is left to itself */
            thin_anyway?: boolean;
            triploid?: boolean;
            /** Format: double */
            trunk_mm?: number;
            /** Format: double */
            tub_litres?: number;
            /** Format: int64 */
            readonly version: number;
            wires?: boolean;
            /** @description heights of its wires, rising */
            wires_cm?: number[] | null;
            /**
             * Format: double
             * @description metres east of the plot's south-west corner
             */
            x: number;
            /**
             * Format: double
             * @description metres north of it
             */
            y: number;
        };
        TreeBody: {
            tree: components["schemas"]["Tree"];
            warnings: components["schemas"]["FieldError"][];
        };
        TreeCrop: {
            alternation?: string;
            /** Format: double */
            alternation_index?: number;
            /** @description harvests logged by limb, against the light of the limb */
            by_limb: components["schemas"]["LimbCrop"][];
            code: string;
            /** @description from a count of this season, else expected from its buds and its wood */
            counted: boolean;
            doing: string[];
            /** Format: int64 */
            fruit_coming: number;
            /** Format: date */
            harvest_closes?: string;
            /** Format: date */
            harvest_opens?: string;
            id: string;
            /** Format: double */
            kg_coming: number;
            /**
             * Format: double
             * @description of the ground under its crown
             */
            kg_per_m2: number;
            kind: string;
            kind_name: string;
            /** Format: int64 */
            laden_limbs: number;
            name?: string;
            next_year?: string;
            next_year_says?: string;
            /**
             * Format: date
             * @description it came in: kg_coming and fruit_coming are what was picked
             */
            picked?: string;
            standing_says?: string;
            /** @enum {string} */
            state: "normal" | "on" | "off" | "rebound";
            /** @description latest first */
            years: components["schemas"]["CropYear"][];
        };
        TreeEditBody: {
            tree: components["schemas"]["Tree"];
            /**
             * Format: int64
             * @description the version the edit is based on
             */
            version: number;
        };
        TreeLightBody: {
            /** @description own count and computed hours side by side */
            beside?: string;
            /** @description the lowest of reach, rule of thumb and light, and how far the tree stands over it */
            binds?: string;
            /**
             * Format: double
             * @description for its neighbours' light; 0: nobody binds it
             */
            cap_m: number;
            cap_why?: string;
            code: string;
            /** Format: double */
            height_m: number;
            id: string;
            /**
             * Format: double
             * @description of full light on its leaf, its own shade left out
             */
            light: number;
            means: string;
            /**
             * Format: double
             * @description the person's own count; 0: none
             */
            own_hours?: number;
            /**
             * Format: double
             * @description nine tenths of the distance to the nearest tree or of the row distance; 0: none
             */
            rule_m: number;
            /** @description the most first */
            shaded_by: components["schemas"]["ShadeBody"][];
            /**
             * Format: double
             * @description a day
             */
            sun_hours: number;
            /** Format: double */
            x: number;
            /** Format: double */
            y: number;
        };
        TreePlanBody: {
            anchors: components["schemas"]["AnchorBody"][];
            company: components["schemas"]["OverlapRow"][];
            /** Format: date */
            day: string;
            /** @description the sicknesses it resists, as its owner knows it */
            resists?: string;
            /** @description where they may get under a building */
            roots?: string;
            summary: components["schemas"]["TreeSummary"];
            tasks: components["schemas"]["TaskBody"][];
        };
        TreeSummary: {
            account: components["schemas"]["AccountBody"];
            /**
             * Format: int64
             * @description growing seasons begun; 99 unknown
             */
            age: number;
            /** @enum {string} */
            aim: "build" | "hold" | "restrain" | "restore" | "retire" | "";
            aim_says: string;
            bars: components["schemas"]["Bar"][];
            /** @description vigour class as it was said; empty: not known */
            class: string;
            class_guessed: boolean;
            code: string;
            /** @description the spread drawn is an estimate */
            estimated: boolean;
            form: string;
            /**
             * @description its limb map told the height; else it was measured
             * @enum {string}
             */
            height_by?: "map";
            /** Format: double */
            height_m: number;
            /**
             * Format: date
             * @description the day it was that high
             */
            height_on?: string;
            /** @description trees of one hole share this mark */
            hole?: string;
            id: string;
            kind: string;
            kind_name: string;
            name?: string;
            /** @description id of its next task */
            next?: string;
            /** Format: double */
            reach_m: number;
            /**
             * Format: double
             * @description guessed reach of the roots from the stem
             */
            roots_m: number;
            /**
             * Format: double
             * @description drawn spread: measured, else the kind's at its class
             */
            spread_m: number;
            stage: string;
            stage_says: string;
            warnings: components["schemas"]["Says"][];
            /** Format: double */
            x: number;
            /** Format: double */
            y: number;
        };
        TreeVersion: {
            at: string;
            tree: components["schemas"]["Tree"];
            /** Format: int64 */
            version: number;
        };
        TrialArm: {
            /** @description how it was in fact */
            done?: string;
            planned?: string;
            /** @description what marks it: a colour, a knot */
            tag: string;
            /** @description notched, untreated, or what was tried */
            what: string;
            zones: components["schemas"]["TrialZone"][];
        };
        TrialBody: {
            arms: components["schemas"]["TrialArm"][];
            /** Format: date */
            date: string;
            left_out?: string;
            says: string[];
            task: string;
        };
        TrialLog: {
            arms: components["schemas"]["TrialArm"][];
            /** @description which were left out of it, and why */
            left_out?: string;
        };
        TrialZone: {
            /** Format: int64 */
            broke: number;
            /** Format: int64 */
            buds: number;
            /** @enum {string} */
            zone: "low" | "middle" | "top";
        };
        TwoWaysBody: {
            /**
             * Format: double
             * @description now
             */
            height_cm: number;
            /** @description what the second does otherwise than the first */
            says: string[];
            ways: components["schemas"]["WayRunBody"][];
            /** @description what the forecast cannot know */
            weak: string;
            /** Format: int64 */
            years: number;
        };
        UndoRequestBody: {
            /**
             * Format: int64
             * @description the revision to take back
             */
            revision: number;
        };
        ValueMeta: {
            against: string;
            /** @description site classes it suits best */
            best: string[];
            for: string;
            name: string;
            slug: string;
            /** @description site classes it does not suit */
            unfit: string[];
        };
        WaitingBody: {
            /** Format: date */
            closes: string;
            code?: string;
            kind_name?: string;
            /** @enum {string} */
            mark: "winter" | "bloom" | "summer" | "thin" | "pick" | "care";
            /** Format: int64 */
            minutes: number;
            /** Format: date */
            opens: string;
            says: string;
            short: string;
            task_id: string;
            title: string;
            tree_id?: string;
            tree_name?: string;
        };
        WallBody: {
            /**
             * Format: double
             * @description the bearing of side a
             */
            along_deg: number;
            arms: components["schemas"]["ArmBody"][];
            /** Format: double */
            goal_cm: number;
            hardware: components["schemas"]["HardwareLine"][];
            /** Format: double */
            leader_cm: number;
            /** Format: double */
            leader_cut_cm?: number;
            leader_due: boolean;
            /** Format: double */
            lean_deg: number;
            /** Format: double */
            next_wire_cm: number;
            off: components["schemas"]["OffBody"][];
            says: string[];
            /** @description that arms are chosen from, from the ground up */
            shoots: components["schemas"]["WallShootBody"][];
            shorten: string[];
            side_a: string;
            side_b: string;
            steps: components["schemas"]["WallStep"][];
            /**
             * @description what holds its wires
             * @enum {string}
             */
            support: "wall" | "posts";
            /** @description behind it: wires and arms leave them free */
            windows: components["schemas"]["OpeningBody"][];
            wires_cm: number[];
            /** Format: int64 */
            year_full: number;
            /** @description how it comes to fill its wires */
            years: components["schemas"]["WallYear"][];
        };
        WallShootBody: {
            /** Format: double */
            angle_deg: number;
            /** Format: double */
            height_cm: number;
            /** Format: double */
            length_cm: number;
            limb: string;
            side: string;
            /** @enum {string} */
            state: "arm" | "spare" | "out-of-plane";
        };
        WallStep: {
            /** @enum {string} */
            kind: "tie" | "cut";
            limb?: string;
            /** Format: int64 */
            n: number;
            says: string;
            title: string;
        };
        WallYear: {
            /** @description by wire, from the lowest */
            arms: components["schemas"]["WallYearArm"][];
            /** Format: double */
            leader_cm: number;
            /** Format: int64 */
            life: number;
            now: boolean;
            says: string;
            /** Format: int64 */
            season: number;
        };
        WallYearArm: {
            /**
             * Format: double
             * @description 0: none yet
             */
            arm_cm: number;
            /** @description tied down; else they rise */
            lies: boolean;
            /** Format: double */
            wire_cm: number;
        };
        WarmthBody: {
            days: components["schemas"]["DayValueBody"][];
            /**
             * Format: double
             * @description share by the day shown
             */
            got: number;
            /**
             * Format: double
             * @description growing degree hours where the cold is saturated
             */
            heat_gdh: number;
            says: string;
        };
        WayBody: {
            /** Format: double */
            at_cm: number;
            /** Format: double */
            buds_within: number;
            cautions: string[];
            cost: string;
            cut: components["schemas"]["CutAt"];
            /**
             * Format: double
             * @description how much lower the limb's highest point comes
             */
            gain_cm: number;
            kind: string;
            /** @description x, y, z in cm */
            place: [
                number,
                number,
                number
            ];
            reasons: string[];
            /** Format: double */
            score: number;
            /** Format: double */
            share: number;
            title: string;
            tool: string;
            where: string;
        };
        WayRunBody: {
            /**
             * Format: int64
             * @description all years
             */
            cuts: number;
            held?: string;
            /**
             * Format: double
             * @description of cutting, all years
             */
            hours: number;
            /**
             * Format: double
             * @description of fruit, all years
             */
            kilos: number;
            /**
             * Format: double
             * @description mean of its limbs at the end, of full light
             */
            light: number;
            /**
             * Format: double
             * @description of the crown, a year
             */
            limit: number;
            /** @description the tree at the end: stations of each limb, five numbers each */
            lines: (number[] | null)[];
            preset: string;
            /** Format: double */
            reach_cm: number;
            school: string;
            /** Format: double */
            widest_mm: number;
            /**
             * Format: int64
             * @description cuts of 25 mm and more, all years
             */
            wounds: number;
            years: components["schemas"]["WayYearBody"][];
        };
        WayYearBody: {
            /**
             * Format: double
             * @description of the crown
             */
            account: number;
            /**
             * Format: double
             * @description at the next winter
             */
            height_cm: number;
            /** Format: double */
            kilos: number;
            /** Format: double */
            minutes: number;
            /** Format: int64 */
            wounds: number;
            /** Format: int64 */
            year: number;
        };
        Weather: {
            /** Format: double */
            rain_mm?: number;
            /** @description person, station */
            source: string;
            /** Format: double */
            tmax_c?: number;
            /** Format: double */
            tmin_c?: number;
        };
        WeatherFileBody: {
            /** Format: int64 */
            days: number;
            /**
             * Format: int64
             * @description days on which it is over 5 C off what was known
             */
            differ: number;
            /** Format: date */
            from: string;
            /**
             * Format: int64
             * @description days between that the file has not; usual weather stands in for them
             */
            missing: number;
            /** @description where it is far off what was known: a doubt */
            says?: string;
            /** Format: date */
            to: string;
        };
        WeatherFileInputBody: {
            /** @description CSV: date, tmin, tmax, rain, gust */
            text: string;
        };
        WeekBody: {
            /** Format: date */
            from: string;
            /** Format: double */
            kg: number;
        };
        WhyBody: {
            /** @description the limb of the slip that it was weighed against */
            against?: string;
            limb: string;
            on_slip: boolean;
            says: string[];
        };
        Window: {
            /**
             * Format: double
             * @description its near edge, along the wall from the wall's first point
             */
            from_m: number;
            /**
             * Format: double
             * @description over the ground
             */
            sill_m: number;
            /**
             * Format: double
             * @description of its upper edge; 0: not told
             */
            top_m?: number;
            /** Format: double */
            wide_m: number;
        };
        Wound: {
            /** Format: double */
            at_cm: number;
            closed?: boolean;
            /** Format: double */
            d_mm: number;
            fresh?: boolean;
            /** Format: int64 */
            year?: number;
        };
        YardLightBody: {
            beds: components["schemas"]["BedLightBody"][];
            /** @description codes of trees that stand too far from the rest to be reckoned with */
            far: string[];
            /** @description of sun a day at 1 m above the ground, row by row from the south */
            hours: number[];
            /**
             * Format: double
             * @description the part of full light a neighbour should keep
             */
            keep: number;
            /** Format: int64 */
            nx: number;
            /** Format: int64 */
            ny: number;
            /** Format: double */
            step_m: number;
            trees: components["schemas"]["TreeLightBody"][];
            /**
             * Format: double
             * @description metres, west edge of the first spot
             */
            x0: number;
            /**
             * Format: double
             * @description metres, south edge of the first spot
             */
            y0: number;
        };
        YearBody: {
            /**
             * Format: double
             * @description of the crown, in the tree year
             */
            account: number;
            /**
             * Format: int64
             * @description at its start
             */
            findings: number;
            /** Format: double */
            flower_buds: number;
            /** @description of a young tree: what its training cuts */
            frame: string[];
            /** Format: double */
            height_before_cm: number;
            /**
             * Format: double
             * @description at the next winter
             */
            height_cm: number;
            /**
             * Format: double
             * @description when the year's last slip is made
             */
            height_cut_cm: number;
            /**
             * Format: double
             * @description on the day of its summer slip, before it
             */
            height_day_cm?: number;
            /**
             * Format: double
             * @description when its winter slip is made
             */
            height_winter_cm?: number;
            /** @description from this year's height cut on it stands within reach */
            held: boolean;
            /**
             * Format: double
             * @description a usual crop, thinned
             */
            kilos: number;
            /** Format: double */
            minutes: number;
            summer: string[];
            /**
             * Format: int64
             * @description at its end
             */
            waits: number;
            /** @description what falls in the winter slip */
            winter: string[];
            /** Format: double */
            winter_minutes: number;
            /**
             * Format: double
             * @description of it, in winter
             */
            winter_share: number;
            /** Format: int64 */
            year: number;
        };
        ZoneBody: {
            /** Format: double */
            from_cm: number;
            /** Format: double */
            most: number;
            name: string;
            says: string;
            /** Format: double */
            slip: number;
            /** @description how high, in the person's units */
            starts: string;
            /** Format: double */
            to_cm: number;
            /**
             * Format: double
             * @description taken before, this tree year
             */
            used: number;
        };
    };
    responses: never;
    parameters: never;
    requestBodies: never;
    headers: never;
    pathItems: never;
}
export type $defs = Record<string, never>;
export interface operations {
    "get-access": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["AccessBody"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    "set-passphrase": {
        parameters: {
            query?: never;
            header?: never;
            path: {
                role: "owner" | "helper";
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["SetPassphraseInputBody"];
            };
        };
        responses: {
            /** @description No Content */
            204: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Conflict */
            409: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    "sign-in": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["PassphraseInputBody"];
            };
        };
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["AccessBody"];
                };
            };
            /** @description Conflict */
            409: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    "sign-out": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description No Content */
            204: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description Conflict */
            409: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    "sign-out-everywhere": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description No Content */
            204: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description Conflict */
            409: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    "import-archive": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": unknown;
            };
        };
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Import-archiveResponse"];
                };
            };
            /** @description Conflict */
            409: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    "list-climates": {
        parameters: {
            query: {
                lat: number;
                lon: number;
                /** @description height above sea, m; absent: not known */
                elev?: string;
            };
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["NearClimate"][];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    "open-demo": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["DemoBody"];
                };
            };
            /** @description Conflict */
            409: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    "get-help-page": {
        parameters: {
            query?: never;
            header?: never;
            path: {
                token: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["HelperPageBody"];
                };
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Gone */
            410: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    "answer-help": {
        parameters: {
            query?: never;
            header?: never;
            path: {
                token: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["HelperAnswer"];
            };
        };
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["HelperPageBody"];
                };
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Conflict */
            409: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Gone */
            410: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    "get-meta": {
        parameters: {
            query?: {
                /** @description in which the texts are told */
                units?: "metric" | "us";
            };
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Meta"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    "list-orchards": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Orchard"][];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    "add-orchard": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["Orchard"];
            };
        };
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["OrchardBody"];
                };
            };
            /** @description Conflict */
            409: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    "get-orchard": {
        parameters: {
            query?: never;
            header?: never;
            path: {
                slug: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["OrchardBody"];
                };
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Conflict */
            409: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    "save-orchard": {
        parameters: {
            query?: never;
            header?: never;
            path: {
                slug: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["OrchardInputBody"];
            };
        };
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["OrchardBody"];
                };
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Conflict */
            409: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    "remove-orchard": {
        parameters: {
            query?: never;
            header?: never;
            path: {
                slug: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description No Content */
            204: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Conflict */
            409: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    "advise-form": {
        parameters: {
            query: {
                kind: string;
                class?: string;
                x?: number;
                y?: number;
                age?: number;
                present?: string;
                /** @description hours a year free for this tree; 0 unknown */
                hours?: number;
            };
            header?: never;
            path: {
                slug: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["FormAdvice"][];
                };
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Conflict */
            409: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    "export-orchard": {
        parameters: {
            query?: never;
            header?: never;
            path: {
                slug: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description OK */
            200: {
                headers: {
                    "Content-Disposition"?: string;
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Archive"];
                };
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Conflict */
            409: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    "get-calendar": {
        parameters: {
            query?: never;
            header?: never;
            path: {
                slug: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["CalendarBody"];
                };
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Conflict */
            409: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    "new-calendar": {
        parameters: {
            query?: never;
            header?: never;
            path: {
                slug: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["CalendarBody"];
                };
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Conflict */
            409: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    "withdraw-calendar": {
        parameters: {
            query?: never;
            header?: never;
            path: {
                slug: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description No Content */
            204: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Conflict */
            409: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    "get-crop": {
        parameters: {
            query?: {
                /** @description YYYY-MM-DD; absent: today */
                day?: string;
            };
            header?: never;
            path: {
                slug: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["CropBody"];
                };
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Conflict */
            409: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    "get-days": {
        parameters: {
            query?: {
                /** @description YYYY-MM-DD; absent: today */
                day?: string;
            };
            header?: never;
            path: {
                slug: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["DaysBody"];
                };
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Conflict */
            409: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    "set-day": {
        parameters: {
            query?: never;
            header?: never;
            path: {
                slug: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["SetDayInputBody"];
            };
        };
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["DaysBody"];
                };
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Conflict */
            409: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    "get-day-costs": {
        parameters: {
            query: {
                /** @description YYYY-MM-DD; absent: today */
                day?: string;
                task_id: string;
            };
            header?: never;
            path: {
                slug: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["DayCostBody"][];
                };
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Conflict */
            409: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    "list-devices": {
        parameters: {
            query?: {
                /** @description YYYY-MM-DD; absent: today */
                day?: string;
            };
            header?: never;
            path: {
                slug: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["RigBody"][];
                };
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Conflict */
            409: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    "get-docket": {
        parameters: {
            query?: {
                /** @description YYYY-MM-DD; absent: today */
                day?: string;
            };
            header?: never;
            path: {
                slug: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["DocketBody"];
                };
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Conflict */
            409: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    "list-entries": {
        parameters: {
            query?: {
                tree?: string;
                /** @description corrected entries too */
                all?: boolean;
            };
            header?: never;
            path: {
                slug: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Entry"][];
                };
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Conflict */
            409: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    "add-entry": {
        parameters: {
            query?: never;
            header?: never;
            path: {
                slug: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["Entry"];
            };
        };
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["EntryBody"];
                };
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Conflict */
            409: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    "undo-entry": {
        parameters: {
            query?: never;
            header?: never;
            path: {
                slug: string;
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description No Content */
            204: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Conflict */
            409: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    "list-helpers": {
        parameters: {
            query?: never;
            header?: never;
            path: {
                slug: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["HelperLinkBody"][];
                };
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Conflict */
            409: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    "get-yard-light": {
        parameters: {
            query?: {
                /** @description YYYY-MM-DD; absent: today */
                day?: string;
            };
            header?: never;
            path: {
                slug: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["YardLightBody"];
                };
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Conflict */
            409: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    "get-spot-light": {
        parameters: {
            query: {
                /** @description YYYY-MM-DD; absent: today */
                day?: string;
                /** @description metres from the plot's south-west corner */
                x: number;
                y: number;
                /** @description a tree that is thought away: the one that is to stand there */
                without?: string;
            };
            header?: never;
            path: {
                slug: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["SpotLightBody"];
                };
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Conflict */
            409: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    "list-own-tasks": {
        parameters: {
            query?: never;
            header?: never;
            path: {
                slug: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["OwnTask"][];
                };
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Conflict */
            409: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    "add-own-task": {
        parameters: {
            query?: never;
            header?: never;
            path: {
                slug: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["OwnTask"];
            };
        };
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["OwnTask"];
                };
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Conflict */
            409: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    "remove-own-task": {
        parameters: {
            query?: never;
            header?: never;
            path: {
                slug: string;
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description No Content */
            204: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Conflict */
            409: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    "list-people": {
        parameters: {
            query?: never;
            header?: never;
            path: {
                slug: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Person"][];
                };
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Conflict */
            409: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    "add-person": {
        parameters: {
            query?: never;
            header?: never;
            path: {
                slug: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["Person"];
            };
        };
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Person"];
                };
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Conflict */
            409: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    "save-person": {
        parameters: {
            query?: never;
            header?: never;
            path: {
                slug: string;
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["PersonEditBody"];
            };
        };
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Person"];
                };
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Conflict */
            409: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    "remove-person": {
        parameters: {
            query?: never;
            header?: never;
            path: {
                slug: string;
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description No Content */
            204: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Conflict */
            409: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    "get-plan": {
        parameters: {
            query?: {
                /** @description YYYY-MM-DD; absent: today */
                day?: string;
            };
            header?: never;
            path: {
                slug: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["PlanBody"];
                };
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Conflict */
            409: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    "get-other-school": {
        parameters: {
            query: {
                /** @description YYYY-MM-DD; absent: today */
                day?: string;
                preset: string;
            };
            header?: never;
            path: {
                slug: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["OtherWindowBody"][];
                };
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Conflict */
            409: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    "get-sheet": {
        parameters: {
            query?: {
                /** @description YYYY-MM-DD; absent: today */
                day?: string;
                /** @description the time one has; 0: all there is to do */
                minutes?: number;
            };
            header?: never;
            path: {
                slug: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["SheetBody"];
                };
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Conflict */
            409: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    "list-trees": {
        parameters: {
            query?: never;
            header?: never;
            path: {
                slug: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Tree"][];
                };
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Conflict */
            409: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    "add-tree": {
        parameters: {
            query?: never;
            header?: never;
            path: {
                slug: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["Tree"];
            };
        };
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["TreeBody"];
                };
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Conflict */
            409: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    "check-tree": {
        parameters: {
            query?: never;
            header?: never;
            path: {
                slug: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["Tree"];
            };
        };
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["TreeBody"];
                };
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Conflict */
            409: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    "save-tree": {
        parameters: {
            query?: never;
            header?: never;
            path: {
                slug: string;
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["TreeEditBody"];
            };
        };
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["TreeBody"];
                };
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Conflict */
            409: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    "remove-tree": {
        parameters: {
            query?: never;
            header?: never;
            path: {
                slug: string;
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description No Content */
            204: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Conflict */
            409: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    "get-diagnosis": {
        parameters: {
            query: {
                /** @description YYYY-MM-DD; absent: today */
                day?: string;
                complaint: string;
                /** @description questions answered yes, between commas */
                yes?: string;
                /** @description questions answered no, between commas */
                no?: string;
            };
            header?: never;
            path: {
                slug: string;
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["DiagnosisBody"];
                };
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Conflict */
            409: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    "get-fruit": {
        parameters: {
            query?: {
                /** @description the day shown; absent: today */
                day?: string;
            };
            header?: never;
            path: {
                slug: string;
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["FruitBody"];
                };
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Conflict */
            409: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    "close-pass": {
        parameters: {
            query?: never;
            header?: never;
            path: {
                slug: string;
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["Pass"];
            };
        };
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["EntryBody"];
                };
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Conflict */
            409: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    "add-taps": {
        parameters: {
            query?: never;
            header?: never;
            path: {
                slug: string;
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["Taps"];
            };
        };
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["TalliesBody"];
                };
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Conflict */
            409: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    "list-helpers-of-tree": {
        parameters: {
            query?: {
                /** @description the day shown; absent: today */
                day?: string;
            };
            header?: never;
            path: {
                slug: string;
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["HelperLinkBody"][];
                };
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Conflict */
            409: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    "ask-helper": {
        parameters: {
            query?: {
                /** @description the day shown; absent: today */
                day?: string;
                /** @description absent: of the day shown */
                season?: "dormant" | "summer";
            };
            header?: never;
            path: {
                slug: string;
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["HelperAsk"];
            };
        };
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["HelperLinkBody"];
                };
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Conflict */
            409: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    "withdraw-helper": {
        parameters: {
            query?: {
                /** @description the day shown; absent: today */
                day?: string;
            };
            header?: never;
            path: {
                slug: string;
                id: string;
                link: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description No Content */
            204: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Conflict */
            409: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    "take-in-answers": {
        parameters: {
            query?: {
                /** @description the day shown; absent: today */
                day?: string;
            };
            header?: never;
            path: {
                slug: string;
                id: string;
                link: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["TakeInInputBody"];
            };
        };
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["HelperLinkBody"];
                };
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Conflict */
            409: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    "get-bench": {
        parameters: {
            query?: {
                /** @description the day shown; absent: today */
                day?: string;
                /** @description winters ahead; 0: as mapped */
                ahead?: number;
                /** @description with the slip made; else uncut */
                cut?: boolean;
                /** @description of the slip; absent: of the day shown */
                season?: "dormant" | "summer";
            };
            header?: never;
            path: {
                slug: string;
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["BenchBody"];
                };
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Conflict */
            409: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    "carry-limbs": {
        parameters: {
            query?: {
                /** @description the day shown; absent: today */
                day?: string;
            };
            header?: never;
            path: {
                slug: string;
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["CarryRequestBody"];
            };
        };
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["BenchBody"];
                };
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Conflict */
            409: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    "compare-maps": {
        parameters: {
            query: {
                from: number;
                to: number;
            };
            header?: never;
            path: {
                slug: string;
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["ChangeBody"][];
                };
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Conflict */
            409: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    "edit-limbs": {
        parameters: {
            query?: {
                /** @description the day shown; absent: today */
                day?: string;
            };
            header?: never;
            path: {
                slug: string;
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["Edits"];
            };
        };
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["BenchBody"];
                };
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Conflict */
            409: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    "import-limbs": {
        parameters: {
            query?: {
                /** @description the day shown; absent: today */
                day?: string;
            };
            header?: never;
            path: {
                slug: string;
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["MapFile"];
            };
        };
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["BenchBody"];
                };
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Conflict */
            409: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    "get-shoot": {
        parameters: {
            query?: {
                /** @description the day shown; absent: today */
                day?: string;
            };
            header?: never;
            path: {
                slug: string;
                id: string;
                limb: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["ShootBody"];
                };
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Conflict */
            409: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    "ways-to-cut": {
        parameters: {
            query: {
                /** @description the day shown; absent: today */
                day?: string;
                aim: "sound" | "remove" | "lower" | "shorten" | "subdue" | "open" | "renew" | "calm" | "fruit" | "branch" | "extend" | "bear" | "spurs";
                /** @description where the offending stretch of the finding starts, cm from the base of its limb */
                at_cm?: number;
            };
            header?: never;
            path: {
                slug: string;
                id: string;
                limb: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["WayBody"][];
                };
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Conflict */
            409: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    "read-line": {
        parameters: {
            query?: {
                /** @description the day shown; absent: today */
                day?: string;
            };
            header?: never;
            path: {
                slug: string;
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["QuickRequestBody"];
            };
        };
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["QuickBody"];
                };
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Conflict */
            409: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    "sketch-tree": {
        parameters: {
            query?: {
                /** @description the day shown; absent: today */
                day?: string;
            };
            header?: never;
            path: {
                slug: string;
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["SketchFrom"];
            };
        };
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["BenchBody"];
                };
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Conflict */
            409: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    "get-slip": {
        parameters: {
            query?: {
                /** @description the day shown; absent: today */
                day?: string;
                /** @description absent: of the day shown */
                season?: "dormant" | "summer";
            };
            header?: never;
            path: {
                slug: string;
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["SlipBody"];
                };
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Conflict */
            409: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    "decide-step": {
        parameters: {
            query?: {
                /** @description the day shown; absent: today */
                day?: string;
                /** @description absent: of the day shown */
                season?: "dormant" | "summer";
            };
            header?: never;
            path: {
                slug: string;
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["Decision"];
            };
        };
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["SlipBody"];
                };
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Conflict */
            409: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    "compare-seasons": {
        parameters: {
            query?: {
                /** @description the day shown; absent: today */
                day?: string;
                /** @description absent: of the day shown */
                season?: "dormant" | "summer";
            };
            header?: never;
            path: {
                slug: string;
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["SlipCompareBody"];
                };
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Conflict */
            409: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    "log-slip": {
        parameters: {
            query?: {
                /** @description the day shown; absent: today */
                day?: string;
                /** @description absent: of the day shown */
                season?: "dormant" | "summer";
            };
            header?: never;
            path: {
                slug: string;
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["SlipDone"];
            };
        };
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["EntryBody"];
                };
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Conflict */
            409: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    "places-to-cut": {
        parameters: {
            query: {
                /** @description the day shown; absent: today */
                day?: string;
                /** @description absent: of the day shown */
                season?: "dormant" | "summer";
                aim: "" | "sound" | "remove" | "lower" | "shorten" | "subdue" | "open" | "renew" | "calm" | "fruit" | "branch" | "extend" | "bear" | "spurs";
            };
            header?: never;
            path: {
                slug: string;
                id: string;
                limb: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["SpotBody"][];
                };
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Conflict */
            409: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    "why-not": {
        parameters: {
            query?: {
                /** @description the day shown; absent: today */
                day?: string;
                /** @description absent: of the day shown */
                season?: "dormant" | "summer";
            };
            header?: never;
            path: {
                slug: string;
                id: string;
                limb: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["WhyBody"];
                };
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Conflict */
            409: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    "slip-years": {
        parameters: {
            query?: {
                /** @description the day shown; absent: today */
                day?: string;
                /** @description absent: of the day shown */
                season?: "dormant" | "summer";
                years?: number;
            };
            header?: never;
            path: {
                slug: string;
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["SlipYearsBody"];
                };
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Conflict */
            409: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    "undo-limbs": {
        parameters: {
            query?: {
                /** @description the day shown; absent: today */
                day?: string;
            };
            header?: never;
            path: {
                slug: string;
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["UndoRequestBody"];
            };
        };
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["BenchBody"];
                };
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Conflict */
            409: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    "compare-ways": {
        parameters: {
            query?: {
                /** @description the day shown; absent: today */
                day?: string;
                /** @description a school */
                first?: string;
                /** @description a value of the yearly limit */
                first_limit?: string;
                second?: string;
                second_limit?: string;
                years?: number;
            };
            header?: never;
            path: {
                slug: string;
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["TwoWaysBody"];
                };
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Conflict */
            409: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    "get-tree-plan": {
        parameters: {
            query?: {
                /** @description YYYY-MM-DD; absent: today */
                day?: string;
            };
            header?: never;
            path: {
                slug: string;
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["TreePlanBody"];
                };
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Conflict */
            409: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    "get-season": {
        parameters: {
            query?: {
                /** @description YYYY-MM-DD; absent: today */
                day?: string;
            };
            header?: never;
            path: {
                slug: string;
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["SeasonBody"];
                };
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Conflict */
            409: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    "get-training": {
        parameters: {
            query?: {
                /** @description the day shown; absent: today */
                day?: string;
            };
            header?: never;
            path: {
                slug: string;
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["TrainingBody"];
                };
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Conflict */
            409: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    "preview-bend": {
        parameters: {
            query?: {
                /** @description the day shown; absent: today */
                day?: string;
            };
            header?: never;
            path: {
                slug: string;
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["BendAsked"];
            };
        };
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["BendBody"];
                };
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Conflict */
            409: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    "log-device": {
        parameters: {
            query?: {
                /** @description the day shown; absent: today */
                day?: string;
            };
            header?: never;
            path: {
                slug: string;
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["RigDone"];
            };
        };
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["EntryBody"];
                };
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Conflict */
            409: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    "say-of-shoots": {
        parameters: {
            query?: {
                /** @description the day shown; absent: today */
                day?: string;
            };
            header?: never;
            path: {
                slug: string;
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["TrainingWords"];
            };
        };
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["TrainingBody"];
                };
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Conflict */
            409: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    "tree-versions": {
        parameters: {
            query?: never;
            header?: never;
            path: {
                slug: string;
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["TreeVersion"][];
                };
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Conflict */
            409: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    "get-weather": {
        parameters: {
            query?: never;
            header?: never;
            path: {
                slug: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["SkyBody"];
                };
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Conflict */
            409: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    "ask-station": {
        parameters: {
            query?: never;
            header?: never;
            path: {
                slug: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["SkyBody"];
                };
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Conflict */
            409: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    "read-weather-file": {
        parameters: {
            query?: never;
            header?: never;
            path: {
                slug: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["WeatherFileInputBody"];
            };
        };
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["WeatherFileBody"];
                };
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Conflict */
            409: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    "log-own-weather": {
        parameters: {
            query?: never;
            header?: never;
            path: {
                slug: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["OwnDay"];
            };
        };
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["SkyBody"];
                };
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Conflict */
            409: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    "shape-place": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["PlaceFrom"];
            };
        };
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["PlaceBody"];
                };
            };
            /** @description Conflict */
            409: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    "find-towns": {
        parameters: {
            query: {
                q: string;
            };
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["TownBody"][];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    health: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Health"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
}
