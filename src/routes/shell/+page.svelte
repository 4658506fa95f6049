<!-- Nothing: a browser without a network starts the application in this page, at the address it was asked for. -->
