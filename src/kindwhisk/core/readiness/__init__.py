"""When a cream, ganache, custard, mousse, buttercream or glaze is right for what it is for, and when it is past."""
