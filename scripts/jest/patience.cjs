// What passes waits for none of it; it only says when a machine of half the speed is given up.
require('@testing-library/react').configure({ asyncUtilTimeout: 60_000 });
