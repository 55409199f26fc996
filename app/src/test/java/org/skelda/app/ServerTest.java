package org.skelda.app;

import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.test.context.ContextConfiguration;

/** A test against the whole server on a real H2 file of its own, with the demo's data. */
@Target(ElementType.TYPE)
@Retention(RetentionPolicy.RUNTIME)
@SpringBootTest(properties = "skelda.demo=true")
@ContextConfiguration(initializers = FreshDataFolder.class)
public @interface ServerTest {}
